package bake

import (
	"time"

	"risepan/core/fault"
	"risepan/core/machine"
)

// Photo names a picture that is kept beside the bake, with its size in points.
type Photo struct {
	ID     string `json:"id"`
	Width  int    `json:"width"`
	Height int    `json:"height"`
}

// Pictured is a photo of a bake, on its clock.
type Pictured struct {
	Photo
	Seq    int             `json:"seq"` // of the happening, to take it back by
	At     time.Time       `json:"at"`
	Minute machine.Minutes `json:"minute"` // of the cycle
	Stage  string          `json:"stage,omitzero"`
}

// mostPhotos is how many photos a bake keeps.
const mostPhotos = 24

func checkPhoto(s State, p *Photo) error {
	switch {
	case p == nil || p.ID == "" || p.Width < 1 || p.Height < 1:
		return fault.At("/photo", "send the photo itself")
	case len(s.Photos) >= mostPhotos:
		return fault.At("/photo", "a bake keeps up to %d photos: take one off first", mostPhotos)
	}
	return nil
}

// photos are those that were taken and not taken back, oldest first.
func photos(c course, standing []Happening) []Pictured {
	var out []Pictured
	for _, h := range standing {
		if h.What != Photographed {
			continue
		}
		p := Pictured{Photo: *h.Photo, Seq: h.Seq, At: h.At, Minute: c.minute(h.At)}
		for _, st := range c.stages {
			if p.Minute >= st.From && p.Minute < st.To {
				p.Stage = string(st.Kind)
			}
		}
		out = append(out, p)
	}
	return out
}
