package api

import (
	"bytes"
	"errors"
	"io"
	"net/http"

	"github.com/gin-gonic/gin"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/photo"
	"risepan/store"
)

// uploads keeps more than a few photos from being held in memory while they are sent.
var uploads = make(chan struct{}, 4)

// cleaned stands before a handler that keeps a photo: it reads the picture and makes it fit to be kept, outside of any
// transaction. The handler's body is then the clean picture, so that the same photo sent again is known again.
func (s *server) cleaned(c *gin.Context) {
	call := s.callOf(c)
	select {
	case uploads <- struct{}{}:
		defer func() { <-uploads }()
	case <-call.ctx.Done():
		s.refuse(c, call.ctx.Err())
		return
	}
	sent, err := io.ReadAll(call.body)
	if err != nil {
		s.refuse(c, err)
		return
	}
	clean, err := photo.Clean(call.ctx, sent)
	switch {
	case err == nil:
		call.photo, call.body = &clean, bytes.NewReader(clean.Full)
		c.Next()
	case errors.Is(err, photo.ErrKind):
		s.refuse(c, problem(http.StatusUnsupportedMediaType, "", "%v: send a JPEG, PNG or WebP of up to %d MB", err, photo.Largest>>20))
	case call.ctx.Err() != nil:
		s.refuse(c, err)
	default:
		s.refuse(c, fault.At("", "%v", err))
	}
}

// addPhoto keeps a photo beside a bake, at any time.
func (s *server) addPhoto(c *call) (string, error) {
	id, err := c.id()
	if err != nil {
		return "", err
	}
	stamp, err := c.Hold(c.ctx, c.kitchen, id, c.now)
	if err != nil {
		return "", err
	}
	p := store.Photo{ID: store.NewID(), BakeID: id, Full: c.photo.Full, Small: c.photo.Small, Width: c.photo.Width, Height: c.photo.Height, At: c.now}
	h := bake.Happening{Stamp: stamp, What: bake.Photographed, Photo: &bake.Photo{ID: p.ID, Width: p.Width, Height: p.Height}}
	if err := c.tellBake(id, h); err != nil {
		return "", err
	}
	return id, c.AddPhoto(c.ctx, c.kitchen, p)
}

// picture gives a photo, whole or small. It never changes.
func (s *server) picture(gc *gin.Context) {
	c := s.callOf(gc)
	id, err := c.id()
	if err == nil {
		var jpeg []byte
		if jpeg, err = c.Picture(c.ctx, c.kitchen, id, gc.Query("small") != ""); err == nil {
			gc.Header("Cache-Control", "private, max-age=31536000, immutable")
			gc.Data(http.StatusOK, "image/jpeg", jpeg)
			return
		}
	}
	s.refuse(gc, err)
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

func (s *server) cardPhotos(c *call) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	return c.photosOf(id)
}

func (c *call) photosOf(recipe string) (CardPhotos, error) {
	out := CardPhotos{[]CardPhoto{}}
	if _, err := c.OnShelf(c.ctx, c.kitchen, recipe); err != nil {
		return out, err
	}
	all, err := c.CardPhotos(c.ctx, c.kitchen, recipe)
	for _, p := range all {
		out.Photos = append(out.Photos, CardPhoto{p.ID, p.Width, p.Height})
	}
	return out, err
}

// addCardPhoto keeps a photo of a card beside its recipe, as its source.
func (s *server) addCardPhoto(c *call) (string, error) {
	id, err := c.id()
	if err != nil {
		return "", err
	}
	if _, err := c.OnShelf(c.ctx, c.kitchen, id); err != nil {
		return "", err
	}
	err = c.AddCardPhoto(c.ctx, c.kitchen, store.Photo{ID: store.NewID(), RecipeID: id, Full: c.photo.Full, Small: c.photo.Small, Width: c.photo.Width, Height: c.photo.Height, At: c.now})
	if errors.Is(err, store.ErrFull) {
		return "", fault.At("", "%v", err)
	}
	return id, err
}

func (s *server) cardPhotosNow(c *call, id string) (any, error) { return c.photosOf(id) }
