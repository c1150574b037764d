package api

import (
	"net/http/httptest"
	"net/url"
	"testing"

	"github.com/gin-gonic/gin"

	"risepan/core/readtest"
)

// Whatever stands in a query, it is read or refused in time.
func FuzzAQuery(f *testing.F) {
	for _, q := range []string{"find=a+b&kind=white&from=2026-01-01&to=x", "year=2026&after=3",
		"sign=sunken+top&mark=good",
		"name=%E2%82%AC&%zz", "find=%00&find=b;c"} {
		f.Add(q)
	}
	f.Fuzz(func(t *testing.T, query string) {
		readtest.Within(t, len(query), func() {
			r := httptest.NewRequest("GET", "http://127.0.0.1/", nil)
			r.URL = &url.URL{Path: "/", RawQuery: query}
			gc, _ := gin.CreateTestContext(httptest.NewRecorder())
			gc.Request = r
			if shortQuery(r) != nil {
				return
			}
			c := &call{gin: gc}
			look, err := c.looking()
			if err == nil && (len([]rune(look.Words)) > longestAnswer || len(look.Mark) > 4*longestAnswer) {
				t.Errorf("%q looks for %+v", query, look)
			}
			n, err := c.number("year", "a year", firstYear, lastYear)
			if err == nil && n != 0 && (n < firstYear || n > lastYear) {
				t.Errorf("%q asks for the year %d", query, n)
			}
			_, _, _ = c.after("a number")
			_, _ = c.day("of")
		})
	})
}
