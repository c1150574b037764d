package api

import (
	"net/http"
	"strconv"
	"strings"

	"risepan/store"
)

// topic is what a call changes: the part of its path that follows the kitchen.
func (c *call) topic() string {
	_, below, _ := strings.Cut(c.gin.FullPath(), "/kitchens/:kitchen")
	topic, _, _ := strings.Cut(strings.TrimPrefix(below, "/"), "/")
	switch topic {
	case "", "undo", "larder", "habits":
		return "kitchen"
	}
	return topic
}

// changed notes that this call changed its topic, for the other devices to see.
func (c *call) changed(q store.Queries) error {
	topic := c.topic()
	if c.kitchen == "" || topic == "rehearsals" { // which one device watches alone
		return nil
	}
	return q.Changed(c.ctx, c.kitchen, topic)
}

// Changes is how often each topic of a kitchen changed.
type Changes struct {
	Topics map[string]int `json:"topics"`
	Sum    int            `json:"sum"` // of all
}

// changes tells a device what changed since it asked last.
func (s *server) changes(c *call) (any, error) {
	topics, err := c.Changes(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	out := Changes{Topics: topics}
	for _, n := range topics {
		out.Sum += n
	}
	if text := c.gin.Query("after"); text != "" {
		after, err := strconv.Atoi(text)
		if err != nil {
			return nil, problem(http.StatusBadRequest, "/after", "after wants the sum seen last, not %.20q", text)
		}
		if after == out.Sum {
			return nil, errNotModified
		}
	}
	return out, nil
}
