package usecase

import (
	"errors"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/photo"
	"risepan/store"
)

// AddPhoto keeps a photo beside a bake, at any time.
func (c *Scope) AddPhoto(id string, p photo.Photo) (string, error) {
	stamp, err := c.hold(id)
	if err != nil {
		return "", err
	}
	kept := store.Photo{ID: store.NewID(), BakeID: id, Full: p.Full, Small: p.Small, Width: p.Width, Height: p.Height,
		At: c.now}
	h := bake.Happening{Stamp: stamp, What: bake.Photographed, Photo: &bake.Photo{ID: kept.ID, Width: p.Width,
		Height: p.Height}}
	if err := c.tellBake(id, h); err != nil {
		return "", err
	}
	return id, c.q.AddPhoto(c.ctx, c.kitchen, kept)
}

// Picture is a photo as it is kept, whole or small, as a JPEG. It never changes.
func (c *Scope) Picture(id string, small bool) ([]byte, error) {
	return c.q.Picture(c.ctx, c.kitchen, id, small)
}

// CardPhotos are the photos of a recipe's card, oldest first.
type CardPhotos struct {
	Photos []CardPhoto `json:"photos"`
}

// CardPhoto is one of them.
type CardPhoto struct {
	ID     string `json:"id"`
	Width  int    `json:"width"`
	Height int    `json:"height"`
}

// CardPhotos are the photos of a recipe's card.
func (c *Scope) CardPhotos(id string) (CardPhotos, error) {
	return c.photosOf(id)
}

func (c *Scope) photosOf(recipe string) (CardPhotos, error) {
	out := CardPhotos{[]CardPhoto{}}
	if _, err := c.q.OnShelf(c.ctx, c.kitchen, recipe); err != nil {
		return out, err
	}
	all, err := c.q.CardPhotos(c.ctx, c.kitchen, recipe)
	for _, p := range all {
		out.Photos = append(out.Photos, CardPhoto{p.ID, p.Width, p.Height})
	}
	return out, err
}

// AddCardPhoto keeps a photo of a card beside its recipe, as its source.
func (c *Scope) AddCardPhoto(id string, p photo.Photo) (string, error) {
	if _, err := c.q.OnShelf(c.ctx, c.kitchen, id); err != nil {
		return "", err
	}
	err := c.q.AddCardPhoto(c.ctx, c.kitchen, store.Photo{ID: store.NewID(), RecipeID: id, Full: p.Full,
		Small: p.Small, Width: p.Width, Height: p.Height, At: c.now})
	if errors.Is(err, store.ErrFull) {
		return "", fault.At("", "%v", err)
	}
	return id, err
}
