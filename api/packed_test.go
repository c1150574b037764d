package api_test

import (
	"compress/gzip"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"testing"
	"testing/fstest"
	"time"

	"risepan/api"
	"risepan/usecase"
)

// A page is sent as tightly as the browser takes it: by brotli, by gzip, or as it is.
func TestPagesArePackedAsTheBrowserTakesThem(t *testing.T) {
	pages := fstest.MapFS{"index.html": {Data: []byte("<p>a loaf</p>")}, "index.html.br": {Data: []byte("packed")},
		"plain.svg": {Data: []byte("<svg/>")}}
	site := api.New(api.Config{Pages: pages, Now: time.Now, Base: usecase.Base{Log: slog.New(slog.DiscardHandler)}})
	for _, c := range []struct{ path, takes, encoding, body string }{
		{"/", "gzip, deflate, br, zstd", "br", "packed"}, {"/", "gzip", "gzip", "<p>a loaf</p>"},
		{"/", "", "", "<p>a loaf</p>"},
		{"/log", "br", "br", "packed"}, {"/plain.svg", "br, gzip", "gzip", "<svg/>"},
	} {
		r := httptest.NewRequest("GET", "http://localhost"+c.path, nil)
		if c.takes != "" {
			r.Header.Set("Accept-Encoding", c.takes)
		}
		w := httptest.NewRecorder()
		site.ServeHTTP(w, r)
		var body io.Reader = w.Body
		if c.encoding == "gzip" {
			unpacked, err := gzip.NewReader(w.Body)
			if err != nil {
				t.Fatal(err)
			}
			body = unpacked
		}
		b, err := io.ReadAll(body)
		if err != nil || w.Code != http.StatusOK || w.Header().Get("Content-Encoding") != c.encoding ||
			string(b) != c.body || w.Header().Get("Vary") != "Accept-Encoding" {
			t.Errorf("%s for %q: %d %q, %q (%v)", c.path, c.takes, w.Code, w.Header().Get("Content-Encoding"), b, err)
		}
	}
}
