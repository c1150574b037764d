// Package photo makes a picture that a baker sends fit to be kept: turned the right way up, made no larger than a
// screen, and written anew, so that nothing of the file but its picture is left: no place, no camera, no script.
package photo

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png"
	"runtime/debug"

	"github.com/dsoprea/go-exif/v3"
	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp"
)

// Largest is the most bytes of a photo that is sent.
const Largest = 10 << 20

// Of a photo that is sent, the most points, and from how many on its memory is given back at once; of one that is kept,
// the longest side, in points, of the picture itself and of the small one that lists show.
const (
	mostPoints  = 50_000_000
	longestSide = 20_000
	large       = 8_000_000
	longest     = 1600
	small       = 320
	quality     = 82 // of JPEG
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

// Clean makes a photo fit to be kept. It takes up to some 300 MB of memory, so that few should be in work at a time.
func Clean(b []byte) (Photo, error) {
	at, kind, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil || kind != "jpeg" && kind != "png" && kind != "webp" {
		return Photo{}, ErrKind
	}
	if at.Width < 1 || at.Height < 1 || at.Width > longestSide || at.Height > longestSide ||
		at.Width > mostPoints/at.Height {
		return Photo{}, fmt.Errorf("this picture has %d × %d points: up to %d million can be kept, and %d on a side",
			at.Width, at.Height, mostPoints/1_000_000, longestSide)
	}
	if deep(at.ColorModel) && at.Width*at.Height > mostPoints/2 {
		return Photo{}, fmt.Errorf("this picture has %d × %d points of 16 bits a colour: save it with 8", at.Width,
			at.Height)
	}
	if at.Width*at.Height > large {
		defer debug.FreeOSMemory() // before the next one is unpacked
	}
	whole, _, err := image.Decode(bytes.NewReader(b))
	if err != nil {
		return Photo{}, ErrBroken
	}
	shown := turned(fitted(whole, longest), turnOf(b))
	p := Photo{Width: shown.Rect.Dx(), Height: shown.Rect.Dy()}
	if p.Full, err = written(shown); err != nil {
		return Photo{}, err
	}
	p.Small, err = written(fitted(shown, small))
	return p, err
}

// deep reports whether each point of a picture takes eight bytes.
func deep(m color.Model) bool {
	return m == color.RGBA64Model || m == color.NRGBA64Model
}

func written(i image.Image) ([]byte, error) {
	var out bytes.Buffer
	err := jpeg.Encode(&out, i, &jpeg.Options{Quality: quality})
	return out.Bytes(), err
}

// fitted is a picture whose longer side has at most so many points, on white: JPEG knows no holes. A much larger one is
// first made twice as large as that by single points, which is quick, and then finely.
func fitted(i image.Image, side int) *image.RGBA {
	if longer := max(i.Bounds().Dx(), i.Bounds().Dy()); longer > 2*side {
		i = scaled(i, 2*side, draw.ApproxBiLinear)
	}
	return scaled(i, side, draw.BiLinear)
}

func scaled(i image.Image, side int, by draw.Scaler) *image.RGBA {
	w, h := i.Bounds().Dx(), i.Bounds().Dy()
	if longer := max(w, h); longer > side {
		w, h = max(w*side/longer, 1), max(h*side/longer, 1)
	}
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	draw.Draw(out, out.Rect, image.White, image.Point{}, draw.Src)
	by.Scale(out, out.Rect, i, i.Bounds(), draw.Over, nil)
	return out
}

// turned is a picture brought upright, by the number that its camera wrote: 2 to 4 are mirrored or upside down, 5 to 8
// lie on their side.
func turned(i *image.RGBA, turn int) *image.RGBA {
	if turn < 2 || turn > 8 {
		return i
	}
	w, h := i.Rect.Dx(), i.Rect.Dy()
	if turn >= 5 {
		w, h = h, w
	}
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			across, down := x, y
			if turn == 2 || turn == 3 || turn == 6 || turn == 7 {
				across = w - 1 - x
			}
			if turn == 3 || turn == 4 || turn == 7 || turn == 8 {
				down = h - 1 - y
			}
			if turn >= 5 {
				across, down = down, across
			}
			out.SetRGBA(x, y, i.RGBAAt(across, down))
		}
	}
	return out
}

// mostNotes is how much of a file is searched for the camera's notes, which stand at its head.
const mostNotes = 1 << 20

// turnOf is the number by which the camera says how it was held, 1 to 8; 1 where it says nothing that can be read.
func turnOf(b []byte) (turn int) {
	defer func() { // the reader of camera notes stumbles over broken ones
		if recover() != nil {
			turn = 1
		}
	}()
	notes, err := exif.SearchAndExtractExif(b[:min(len(b), mostNotes)])
	if err != nil {
		return 1
	}
	tags, _, err := exif.GetFlatExifData(notes, nil)
	if err != nil {
		return 1
	}
	for _, tag := range tags {
		if held, ok := tag.Value.([]uint16); ok && tag.TagId == orientation && len(held) == 1 {
			return int(held[0])
		}
	}
	return 1
}

// orientation is the number of the tag that says how a camera was held.
const orientation = 0x0112
