// Package photo makes a picture that a baker sends fit to be kept: turned the right way up, made no larger than a
// screen, and written anew, so that nothing of the file but its picture is left: no place, no camera, no script.
package photo

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png"
	"io"
	"runtime/debug"

	"github.com/disintegration/imaging"
	"github.com/rwcarlsen/goexif/exif"
	_ "golang.org/x/image/webp"
)

// Largest is the most bytes of a photo that is sent.
const Largest = 10 << 20

// Of a photo that is sent, the most points, and from how many on its memory is given back at once; of one that is kept, the longest side, in points, of the picture itself
// and of the small one that lists show.
const (
	mostPoints = 50_000_000
	large      = 8_000_000
	longest    = 1600
	small      = 320
	quality    = 82 // of JPEG
)

// Photo is a picture as it is kept: two JPEGs.
type Photo struct {
	Full, Small   []byte
	Width, Height int // of Full
}

// What a photo can be refused for; the text says what would be right.
var (
	ErrKind   = errors.New("this is no JPEG, PNG or WebP picture")
	ErrBroken = errors.New("this picture cannot be read to its end: take it again, or save it anew")
)

// one keeps two large pictures from being in memory at the same time.
var one = make(chan struct{}, 1)

// Clean makes a photo fit to be kept. Only one is in work at a time; who comes meanwhile waits as long as ctx does.
func Clean(ctx context.Context, b []byte) (Photo, error) {
	at, kind, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil || kind != "jpeg" && kind != "png" && kind != "webp" {
		return Photo{}, ErrKind
	}
	if at.Width < 1 || at.Height < 1 || at.Width > mostPoints/at.Height {
		return Photo{}, fmt.Errorf("this picture has %d × %d points: up to %d million can be kept", at.Width, at.Height, mostPoints/1_000_000)
	}
	select {
	case one <- struct{}{}:
		defer func() {
			if at.Width*at.Height > large {
				debug.FreeOSMemory() // before the next one is unpacked
			}
			<-one
		}()
	case <-ctx.Done():
		return Photo{}, ctx.Err()
	}
	whole, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		return Photo{}, ErrBroken
	}
	shown := onWhite(turned(imaging.Fit(whole, longest, longest, imaging.Box), turnOf(b)))
	p := Photo{Width: shown.Bounds().Dx(), Height: shown.Bounds().Dy()}
	if p.Full, err = written(shown); err != nil {
		return Photo{}, err
	}
	p.Small, err = written(imaging.Fit(shown, small, small, imaging.CatmullRom))
	return p, err
}

func written(i image.Image) ([]byte, error) {
	var out bytes.Buffer
	err := jpeg.Encode(&out, i, &jpeg.Options{Quality: quality})
	return out.Bytes(), err
}

// onWhite lays a picture that can be seen through on white: JPEG knows no holes.
func onWhite(i *image.NRGBA) image.Image {
	if i.Opaque() {
		return i
	}
	return imaging.OverlayCenter(imaging.New(i.Rect.Dx(), i.Rect.Dy(), color.White), i, 1)
}

// turns are what brings a picture upright, by the number that its camera wrote.
var turns = map[int]func(image.Image) *image.NRGBA{2: imaging.FlipH, 3: imaging.Rotate180, 4: imaging.FlipV, 5: imaging.Transpose, 6: imaging.Rotate270, 7: imaging.Transverse, 8: imaging.Rotate90}

func turned(i *image.NRGBA, turn int) *image.NRGBA {
	if f := turns[turn]; f != nil {
		return f(i)
	}
	return i
}

// turnOf is the number by which the camera says how it was held, 1 to 8; 1 where it says nothing that can be read.
func turnOf(b []byte) (turn int) {
	defer func() { // the reader of camera notes stumbles over broken ones
		if recover() != nil {
			turn = 1
		}
	}()
	x, err := exif.Decode(io.LimitReader(bytes.NewReader(b), 1<<20))
	if err != nil {
		return 1
	}
	tag, err := x.Get(exif.Orientation)
	if err != nil {
		return 1
	}
	if turn, err = tag.Int(0); err != nil {
		return 1
	}
	return turn
}
