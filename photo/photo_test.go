package photo_test

import (
	"bytes"
	"encoding/base64"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"image/png"
	"runtime"
	"testing"

	"risepan/photo"
)

// loaf is a picture whose left half is red and whose right half is blue.
func loaf(w, h int) *image.NRGBA {
	i := image.NewNRGBA(image.Rect(0, 0, w, h))
	for x := range w {
		for y := range h {
			c := color.NRGBA{200, 0, 0, 255}
			if x >= w/2 {
				c = color.NRGBA{0, 0, 200, 255}
			}
			i.SetNRGBA(x, y, c)
		}
	}
	return i
}

func asJPEG(i image.Image) []byte {
	var b bytes.Buffer
	jpeg.Encode(&b, i, nil)
	return b.Bytes()
}

func asPNG(i image.Image) []byte {
	var b bytes.Buffer
	png.Encode(&b, i)
	return b.Bytes()
}

// with puts a segment into a JPEG, behind its beginning.
func with(file []byte, marker byte, segment []byte) []byte {
	head := append([]byte{0xff, 0xd8, 0xff, marker}, binary.BigEndian.AppendUint16(nil, uint16(len(segment)+2))...)
	return append(append(head, segment...), file[2:]...)
}

// deepClaims is the head of a PNG of so many points of sixteen bits in each colour.
func deepClaims(w, h uint32) []byte {
	file := claims(w, h)
	file[24] = 16 // the depth, behind signature, length, name, width and height
	binary.BigEndian.PutUint32(file[29:], crc32.ChecksumIEEE(file[12:29]))
	return file
}

// held is what a camera notes: how it was held, and where.
func held(turn byte) []byte {
	tiff := []byte("Exif\x00\x00MM\x00*\x00\x00\x00\x08")
	tiff = append(tiff, 0, 2)
	tiff = append(tiff, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, turn, 0, 0)
	tiff = append(tiff, 0x01, 0x0e, 0, 2, 0, 0, 0, 12, 0, 0, 0, 38) // a description, at 38
	tiff = append(tiff, 0, 0, 0, 0)
	return append(tiff, "51.5N 0.12W\x00"...)
}

// red reports whether the picture is red at a place given in tenths of its sides.
func red(t *testing.T, file []byte, x, y int) bool {
	t.Helper()
	i, err := jpeg.Decode(bytes.NewReader(file))
	if err != nil {
		t.Fatal(err)
	}
	r, _, b, _ := i.At(i.Bounds().Dx()*x/10, i.Bounds().Dy()*y/10).RGBA()
	return r > b
}

func TestAPhotoIsTurnedUprightAndStripped(t *testing.T) {
	for turn, is := range map[byte]struct{ wide, redLeft, redTop bool }{1: {true, true, true}, 2: {true, false, true},
		3: {true, false, true}, 4: {true, true, true},
		5: {false, true, true}, 6: {false, true, true}, 7: {false, true, false}, 8: {false, true, false}} {
		file := with(with(asJPEG(loaf(400, 200)), 0xe1, held(turn)), 0xfe, []byte("<script>alert(1)</script>"))
		p, err := photo.Clean(file)
		if err != nil {
			t.Fatalf("held %d: %v", turn, err)
		}
		if wide := p.Width == 400 && p.Height == 200; wide != is.wide || !wide && (p.Width != 200 || p.Height != 400) {
			t.Errorf("held %d: it is %d × %d", turn, p.Width, p.Height)
		}
		if is.wide && red(t, p.Full, 1, 5) != is.redLeft || !is.wide && red(t, p.Full, 5, 1) != is.redTop {
			t.Errorf("held %d: it does not stand upright", turn)
		}
		for _, left := range []string{"Exif", "51.5N", "script"} {
			if bytes.Contains(p.Full, []byte(left)) || bytes.Contains(p.Small, []byte(left)) {
				t.Errorf("held %d: %q is still in the file", turn, left)
			}
		}
	}
}

func TestPhotosAreMadeSmallEnough(t *testing.T) {
	seen := loaf(3000, 1500)
	for x := range 300 {
		seen.SetNRGBA(x, 0, color.NRGBA{}) // a hole
	}
	webp, _ := base64.StdEncoding.DecodeString("UklGRiQAAABXRUJQVlA4IBgAAAAwAQCdASoBAAEAAQAcJaQAA3AA/v3AgAA=")
	for name, c := range map[string]struct {
		file          []byte
		width, height int
	}{"JPEG": {asJPEG(loaf(3200, 2400)), 1600, 1200}, "PNG with a hole": {asPNG(seen), 1600, 800},
		"WebP": {webp, 1, 1}, "a small one": {asPNG(loaf(64, 48)), 64, 48}} {
		t.Run(name, func(t *testing.T) {
			p, err := photo.Clean(c.file)
			if err != nil {
				t.Fatal(err)
			}
			if p.Width != c.width || p.Height != c.height {
				t.Errorf("it is %d × %d, want %d × %d", p.Width, p.Height, c.width, c.height)
			}
			small, err := jpeg.DecodeConfig(bytes.NewReader(p.Small))
			if err != nil || small.Width > 320 || small.Height > 320 {
				t.Errorf("the small one is %d × %d: %v", small.Width, small.Height, err)
			}
		})
	}
}

// claims is a PNG that says it has so many points and holds almost none.
func claims(w, h uint32) []byte {
	file := asPNG(loaf(2, 2))
	binary.BigEndian.PutUint32(file[16:], w)
	binary.BigEndian.PutUint32(file[20:], h)
	binary.BigEndian.PutUint32(file[29:], crc32.ChecksumIEEE(file[12:29]))
	return file
}

func TestHostilePhotosAreRefused(t *testing.T) {
	var moving bytes.Buffer
	gif.Encode(&moving, loaf(8, 8), nil)
	animated := append([]byte("RIFF\x24\x00\x00\x00WEBPVP8X\x0a\x00\x00\x00\x02\x00\x00\x00\x07\x00\x00\x07\x00\x00ANIM\x06\x00\x00\x00"), make([]byte, 6)...)
	whole := asJPEG(loaf(800, 600))
	for name, c := range map[string]struct {
		file []byte
		want error // nil: any
	}{
		"nothing": {nil, photo.ErrKind}, "a text": {[]byte("GET / HTTP/1.1"), photo.ErrKind},
		"a drawing with script": {[]byte(`<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>`), photo.ErrKind},
		"a moving picture":      {moving.Bytes(), photo.ErrKind}, "a moving WebP": {animated, nil},
		"60 million points": {claims(10_000, 6_001), nil}, "more points than there are numbers": {claims(1<<31-1,
			1<<31-1), nil}, "many points and no bytes": {claims(7000, 7000), photo.ErrBroken},
		"half a JPEG": {whole[:len(whole)/2], photo.ErrBroken}, "a JPEG's head": {whole[:300], nil},
	} {
		t.Run(name, func(t *testing.T) {
			_, err := photo.Clean(c.file)
			if err == nil || c.want != nil && !errors.Is(err, c.want) {
				t.Errorf("it is answered with %v, want %v", err, c.want)
			}
		})
	}
}

// The largest pictures, one after another, take no more memory than one.
func TestMemoryIsBoundedWhilePhotosCome(t *testing.T) {
	file := asPNG(image.NewGray(image.Rect(0, 0, 7000, 7000)))
	most := uint64(0)
	for range 4 {
		if _, err := photo.Clean(file); err != nil {
			t.Fatal(err)
		}
		var m runtime.MemStats
		runtime.ReadMemStats(&m)
		most = max(most, m.HeapAlloc)
	}
	if most > 150<<20 {
		t.Errorf("%d MB are held for pictures of 49 MB each", most>>20)
	}
}

// What would take most memory is refused by its measures alone, before anything of it is unpacked.
func TestAPictureThatIsTooLargeIsNotUnpacked(t *testing.T) {
	for what, file := range map[string][]byte{
		"one line of fifty million":      claims(50_000_000, 1),
		"a side of 20,001":               claims(20_001, 10),
		"more than fifty million":        claims(8000, 6251),
		"sixteen bits of forty millions": deepClaims(8000, 5000),
	} {
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		_, err := photo.Clean(file)
		runtime.ReadMemStats(&after)
		if took := after.TotalAlloc - before.TotalAlloc; err == nil || errors.Is(err, photo.ErrBroken) || took > 1<<20 {
			t.Errorf("%s took %d kB: %v", what, took>>10, err)
		}
	}
}

func FuzzClean(f *testing.F) {
	f.Add(with(asJPEG(loaf(20, 10)), 0xe1, held(6)))
	f.Add(asPNG(loaf(9, 9)))
	f.Add(claims(9, 9))
	f.Fuzz(func(t *testing.T, file []byte) {
		p, err := photo.Clean(file)
		if err != nil {
			return
		}
		if i, err := jpeg.DecodeConfig(bytes.NewReader(p.Full)); err != nil || i.Width != p.Width ||
			i.Height != p.Height || p.Width > 1600 || p.Height > 1600 {
			t.Errorf("%d × %d is kept as %d × %d: %v", p.Width, p.Height, i.Width, i.Height, err)
		}
	})
}
