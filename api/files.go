package api

import (
	"bytes"
	"crypto/sha256"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"regexp"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/photo"
	"risepan/usecase"
)

// Files that come in and go out.

var (
	notInNames = regexp.MustCompile(`[^\p{L}\p{N} ._-]+`)
	notPlain   = regexp.MustCompile(`[^ -~]+`)
)

// disposition offers a file under a name: in plain letters for all, and as it is for who reads RFC 5987.
func disposition(name string) string {
	name = notInNames.ReplaceAllString(name, "")
	ascii := notPlain.ReplaceAllString(name, "_")
	var escaped strings.Builder
	for _, b := range []byte(name) {
		switch {
		case b >= '0' && b <= '9', b >= 'a' && b <= 'z', b >= 'A' && b <= 'Z', b == '-', b == '.', b == '_':
			escaped.WriteByte(b)
		default:
			fmt.Fprintf(&escaped, "%%%02X", b)
		}
	}
	return fmt.Sprintf(`attachment; filename="%s"; filename*=UTF-8''%s`, ascii, escaped.String())
}

func (s *server) logTable(gc *gin.Context) {
	c := s.callOf(gc)
	look, err := c.looking()
	if err != nil {
		s.refuse(gc, err)
		return
	}
	table, err := c.LogTable(look)
	if err != nil {
		s.refuse(gc, err)
		return
	}
	name := fmt.Sprintf(`attachment; filename="bakes %s.csv"`, c.Now().Format(time.DateOnly))
	gc.Header("Content-Disposition", name)
	gc.Data(http.StatusOK, "text/csv; charset=utf-8", table)
}

// feed gives a kitchen's moments to a calendar that knows the address.
func (s *server) feed(gc *gin.Context) {
	body, err := s.callOf(gc).Feed(strings.TrimSuffix(gc.Param("token"), ".ics"))
	if err != nil {
		s.refuse(gc, err)
		return
	}
	gc.Data(http.StatusOK, "text/calendar; charset=utf-8", []byte(body))
}

// carryKitchen gives all of a kitchen as one file. Where it cannot be written to its end, the connection is broken off.
func (s *server) carryKitchen(gc *gin.Context) {
	name, write, err := s.callOf(gc).KitchenFile()
	if err != nil {
		s.refuse(gc, err)
		return
	}
	gc.Header("Content-Disposition", disposition(name+".rise-pan.json"))
	gc.Header("Content-Type", "application/json")
	if err := write(gc.Writer); err != nil {
		s.log.Error("a kitchen's file was not written to its end", "error", err)
		panic(http.ErrAbortHandler)
	}
}

// restored is the call that puts the kitchen of a file in the place of another.
func restored() deed {
	return deed{is: adds, gives: usecase.Restored{}, handle: func(s *server) gin.HandlerFunc {
		return func(gc *gin.Context) {
			out, err := s.restoreKitchen(gc)
			s.answer(gc, http.StatusCreated, out, err)
		}
	}}
}

func (s *server) restoreKitchen(gc *gin.Context) (usecase.Restored, error) {
	if !goodKey(gc.GetHeader("Idempotency-Key")) {
		return usecase.Restored{}, errKey
	}
	file, err := os.CreateTemp("", "rise-pan-kitchen-*")
	if err != nil {
		return usecase.Restored{}, err
	}
	defer os.Remove(file.Name())
	defer file.Close()
	c, hash := s.callOf(gc), sha256.New()
	if _, err := io.Copy(file, io.TeeReader(c.body, hash)); err != nil {
		return usecase.Restored{}, err
	}
	return c.RestoreKitchen(fmt.Appendf(nil, "%s %s\n%x", gc.Request.Method, gc.Request.URL.Path, hash.Sum(nil)), file)
}

// cleaned makes a photo that is sent fit to be kept, outside of any transaction. The call's body is then the clean
// picture, so that the same photo sent again is known again.
func cleaned(c *call) error {
	sent, err := io.ReadAll(c.body)
	if err != nil {
		return err
	}
	clean, err := photo.Clean(sent)
	switch {
	case err == nil:
		c.photo, c.body = clean, bytes.NewReader(clean.Full)
		return nil
	case errors.Is(err, photo.ErrKind):
		return problem(http.StatusUnsupportedMediaType, "", "%v: send a JPEG, PNG or WebP of up to %d MB", err,
			photo.Largest>>20)
	}
	return fault.At("", "%v", err)
}

// photoOf is a use case on the thing that the path names and a photo.
func photoOf(f func(*scope, string, photo.Photo) (string, error)) step[string] {
	return step[string]{run: func(c *call) (string, error) {
		id, err := c.id()
		if err != nil {
			return "", err
		}
		return f(c.scope, id, c.photo)
	}}
}

// picture gives a photo, whole or small. It never changes.
func (s *server) picture(gc *gin.Context) {
	c := s.callOf(gc)
	id, err := c.id()
	if err != nil {
		s.refuse(gc, err)
		return
	}
	jpeg, err := c.Picture(id, gc.Query("small") != "")
	if err != nil {
		s.refuse(gc, err)
		return
	}
	gc.Header("Cache-Control", "private, max-age=31536000, immutable")
	gc.Data(http.StatusOK, "image/jpeg", jpeg)
}
