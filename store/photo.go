package store

import (
	"context"
	"errors"
	"time"
)

// Photo is a picture that a kitchen keeps: two JPEGs of it, the whole one and a small one for lists.
type Photo struct {
	ID            string
	BakeID        string // that it was taken of; empty: none
	RecipeID      string // whose card it shows; empty: none
	Full, Small   []byte
	Width, Height int // of Full, in points
	At            time.Time
}

// AddPhoto keeps a photo of a bake or of a recipe's card under its id.
func (q Queries) AddPhoto(ctx context.Context, kitchenID string, p Photo) error {
	var bake, recipe any
	if p.BakeID != "" {
		bake = p.BakeID
	}
	if p.RecipeID != "" {
		recipe = p.RecipeID
	}
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO photos (id, kitchen_id, bake_id, recipe_id, width, height, picture, small, created_at) VALUES (?,
			?, ?, ?, ?, ?, ?, ?, ?)`,
		p.ID, kitchenID, bake, recipe, p.Width, p.Height, p.Full, p.Small, p.At.UTC())
	return err
}

// mostOfCard is how many photos of a recipe's card are kept on the shelf.
const mostOfCard = 12

// ErrFull is returned where a recipe has as many photos as it keeps.
var ErrFull = errors.New("a recipe keeps up to 12 photos of its card: take one off first")

// CardPhotos lists the photos of a recipe's card that are not put away, oldest first.
func (q Queries) CardPhotos(ctx context.Context, kitchenID, recipeID string) ([]Photo, error) {
	rows, err := q.q.QueryContext(ctx,
		`SELECT id, width, height, created_at FROM photos WHERE kitchen_id = ? AND recipe_id = ? AND NOT put_away
			ORDER BY id`, kitchenID, recipeID)
	return list(rows, err, func(scan func(...any) error) (p Photo, err error) {
		p.RecipeID = recipeID
		return p, scan(&p.ID, &p.Width, &p.Height, &p.At)
	})
}

// AddCardPhoto keeps a photo of a recipe's card, or returns ErrFull.
func (q Queries) AddCardPhoto(ctx context.Context, kitchenID string, p Photo) error {
	all, err := q.CardPhotos(ctx, kitchenID, p.RecipeID)
	if err != nil {
		return err
	}
	if len(all) >= mostOfCard {
		return ErrFull
	}
	return q.AddPhoto(ctx, kitchenID, p)
}

// PutPhotoAway takes a photo of a card off, or brings it back.
func (q Queries) PutPhotoAway(ctx context.Context, kitchenID, id string, away bool) error {
	return q.putAway(ctx, "photos", kitchenID, id, away)
}

// Picture is the JPEG of a photo of a kitchen, whole or small.
func (q Queries) Picture(ctx context.Context, kitchenID, id string, small bool) (jpeg []byte, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT IF(?, small, picture) FROM photos WHERE kitchen_id = ? AND id = ?`, small,
		kitchenID, id).Scan(&jpeg)
	return jpeg, found(err)
}
