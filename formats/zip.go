package formats

import (
	"archive/zip"
	"bytes"
	"errors"
	"fmt"
	"io"
	"path"
	"strings"
)

// File is one file of a ZIP archive, or why it cannot be read.
type File struct {
	Name    string `json:"name"`
	Text    string `json:"text,omitzero"`
	Problem string `json:"problem,omitzero"`
}

// What a ZIP archive may hold: so many files, and as many bytes of them unpacked as one file may have.
const (
	mostFiles    = 100
	longFileName = 120
)

// IsZip reports whether a file is a ZIP archive.
func IsZip(b []byte) bool { return bytes.HasPrefix(b, []byte("PK\x03\x04")) }

// Unzip unpacks the files of a ZIP archive as texts. Folders and what an operating system hides in archives are passed
// over; a file that holds no text says so. Documents of a word processor, which are ZIP archives within, are refused.
func Unzip(b []byte) ([]File, error) {
	archive, err := zip.NewReader(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		return nil, errors.New("this ZIP archive is damaged: pack it anew, or bring in its files one by one")
	}
	var out []File
	room := int64(Largest)
	for _, f := range archive.File {
		base := path.Base(strings.ReplaceAll(f.Name, `\`, "/"))
		switch {
		case f.Name == "[Content_Types].xml" || f.Name == "mimetype":
			return nil, errors.New("this is a document of a word processor: paste its text, or save it as plain text")
		case f.FileInfo().IsDir() || strings.HasPrefix(base, ".") || strings.HasPrefix(f.Name, "__MACOSX/"):
			continue
		case len(out) == mostFiles:
			return nil, fmt.Errorf("this ZIP archive holds more than %d files: pack fewer at a time", mostFiles)
		}
		content, err := unpack(f, room)
		if err != nil {
			return nil, err
		}
		room -= int64(len(content))
		one := File{Name: string([]rune(base)[:min(len([]rune(base)), longFileName)])}
		if one.Text, err = Text(content); err != nil {
			one.Problem = err.Error()
		}
		out = append(out, one)
	}
	if len(out) == 0 {
		return nil, errors.New("there is no file in this ZIP archive")
	}
	return out, nil
}

// unpack is the content of a file of at most room bytes, whatever its archive says of its length.
func unpack(f *zip.File, room int64) ([]byte, error) {
	in, err := f.Open()
	if err != nil {
		return nil, errors.New("this ZIP archive is locked, or packed in a way that is not known here: unpack it, and bring in " +
			"its files")
	}
	defer in.Close()
	content, err := io.ReadAll(io.LimitReader(in, room+1))
	switch {
	case err != nil:
		return nil, fmt.Errorf("%s in this ZIP archive is damaged", path.Base(f.Name))
	case int64(len(content)) > room:
		return nil, fmt.Errorf("what this ZIP archive holds is too large: up to %d MB can be brought in", Largest>>20)
	}
	return content, nil
}
