package usecase

// changed notes that a topic of the kitchen changed, for the other devices to see.
func (c *Scope) changed(topic string) error {
	if c.kitchen == "" || topic == "rehearsals" { // which one device watches alone
		return nil
	}
	return c.q.Changed(c.ctx, c.kitchen, topic)
}

// Changes is how often each topic of a kitchen changed.
type Changes struct {
	Topics map[string]int `json:"topics"`
	Sum    int            `json:"sum"` // of all
}

// Changes tells a device what changed since it asked last.
func (c *Scope) Changes() (Changes, error) {
	topics, err := c.q.Changes(c.ctx, c.kitchen)
	out := Changes{Topics: topics}
	for _, n := range topics {
		out.Sum += n
	}
	return out, err
}
