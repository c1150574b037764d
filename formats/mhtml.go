package formats

import (
	"bufio"
	"encoding/base64"
	"io"
	"mime"
	"mime/multipart"
	"mime/quotedprintable"
	"net/textproto"
	"strings"
)

// isArchive reports whether a text is a page saved in one file with its pictures (MHTML).
func isArchive(text string) bool {
	head := strings.ToLower(text[:min(len(text), 2048)])
	return strings.Contains(head, "mime-version:") && strings.Contains(head, "multipart/related")
}

// archivedPage is the first page in such a file; empty where it has none.
func archivedPage(text string) string {
	r := bufio.NewReader(strings.NewReader(text))
	head, err := textproto.NewReader(r).ReadMIMEHeader()
	if err != nil {
		return ""
	}
	_, params, err := mime.ParseMediaType(head.Get("Content-Type"))
	if err != nil || params["boundary"] == "" {
		return ""
	}
	parts := multipart.NewReader(r, params["boundary"])
	for {
		part, err := parts.NextRawPart()
		if err != nil {
			return ""
		}
		if !strings.HasPrefix(strings.ToLower(part.Header.Get("Content-Type")), "text/html") {
			continue
		}
		var body io.Reader = part
		switch strings.ToLower(part.Header.Get("Content-Transfer-Encoding")) {
		case "quoted-printable":
			body = quotedprintable.NewReader(part)
		case "base64":
			body = base64.NewDecoder(base64.StdEncoding, part)
		}
		page, err := io.ReadAll(io.LimitReader(body, int64(len(text))))
		if err == nil || len(page) > 0 {
			return string(page)
		}
	}
}
