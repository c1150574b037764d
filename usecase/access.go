package usecase

import (
	"context"
	"errors"
	"fmt"
	"time"

	"risepan/auth"
	"risepan/store"
)

// noted is how often it is noted that a device was used.
const noted = time.Hour

var (
	errNobody    = &Refusal{Kind: Unauthorized, Closed: true, Detail: "sign in to this kitchen first"}
	errNoKitchen = &Refusal{Kind: NotFound, Closed: true, Detail: "there is no such kitchen"}
)

// EnterReplaced is Enter for a request that puts another kitchen in the place of this one. Sent again under the same
// key after it has succeeded, this kitchen is put away: then the right to the one that is in its place counts, and the
// request can only be answered as it was the first time.
func (b *Base) EnterReplaced(ctx context.Context, kitchen string, v Visitor, now time.Time, owners bool) (*Scope, bool,
	error) {
	c, renewed, err := b.Enter(ctx, kitchen, v, now, owners)
	if err == nil || !store.ValidID(kitchen) || v.Key == "" {
		return c, renewed, err
	}
	q := b.Store.Queries
	shown, missing := q.BesideOf(ctx, kitchen)
	if missing != nil {
		return c, renewed, err
	}
	if was, unmade := q.WasMade(ctx, kitchen, v.Key); unmade != nil || !was {
		return c, renewed, err
	}
	c, renewed, again := b.Enter(ctx, shown, v, now, owners)
	if again != nil {
		return nil, false, err
	}
	c.kitchen = kitchen
	return c, renewed, nil
}

// Enter is the scope of a request in a kitchen, where the visitor has the right to it; renewed says that the device's
// secret lives longer from now on. Somebody who is not signed in learns no more than that; somebody of another kitchen
// does not learn that this one is there. What is the owner's alone is refused to others.
func (b *Base) Enter(ctx context.Context, kitchen string, v Visitor, now time.Time, owners bool) (c *Scope,
	renewed bool, err error) {
	c = b.Outside(ctx, v, now)
	access, err := store.Access{}, store.ErrNotFound
	if store.ValidID(kitchen) {
		access, err = c.q.Access(ctx, kitchen, auth.HashOf(v.Token))
	}
	missing := errors.Is(err, store.ErrNotFound)
	switch {
	case err != nil && !missing:
		return nil, false, err
	case !missing && access.Household == "" && !b.House.Open:
		access.Person.Role = store.Owner
	case !missing && access.SignedIn(now):
		if renewed = now.Sub(access.UsedAt) > noted; renewed {
			if err := c.q.Used(ctx, access.Household, access.Session, now, now.Add(auth.SessionLives)); err != nil {
				return nil, false, err
			}
		}
	case missing && !b.House.Open:
		return nil, false, errNoKitchen
	default:
		_, err := c.session()
		switch {
		case err == nil:
			return nil, false, errNoKitchen
		case errors.Is(err, store.ErrNotFound):
			return nil, false, errNobody
		}
		return nil, false, err // nobody can tell just now
	}
	if owners && access.Person.Role != store.Owner {
		c.audit("refused", "call", v.Call, "kitchen", kitchen, "person", access.Person.ID)
		return nil, false, refuse(Forbidden, "", "only the owner of this kitchen may do that")
	}
	c.kitchen, c.access = kitchen, access
	return c, renewed, nil
}

// session is the session of this device in whichever kitchen; ErrNotFound without one.
func (c *Scope) session() (store.Session, error) {
	if c.visitor.Token == "" {
		return store.Session{}, store.ErrNotFound
	}
	s, err := c.q.SessionOf(c.ctx, auth.HashOf(c.visitor.Token))
	if err == nil && !c.now.Before(s.EndsAt) {
		err = store.ErrNotFound
	}
	return s, err
}

// signIn makes this device one of a person's, under a secret that only it holds. What it held before ends.
func (c *Scope) signIn(household, person string) error {
	if before, err := c.session(); err == nil {
		c.others = before.Person.ID != person
		if err := c.q.EndSession(c.ctx, before.Household, before.ID); err != nil && !errors.Is(err, store.ErrNotFound) {
			return err
		}
	}
	c.secret = auth.NewSecret()
	return c.q.SignIn(c.ctx, household, person, auth.HashOf(c.secret), c.visitor.Device, c.now,
		c.now.Add(auth.SessionLives))
}

// allowance is how many tries are let through in a window of time.
type allowance struct {
	what  string // that is counted
	most  int
	pause time.Duration
}

var (
	signingFrom  = allowance{"signing in from ", auth.SigningEach, auth.SigningPause}
	signingTo    = allowance{"signing in to ", auth.SigningTries, auth.SigningAll}
	pairingFrom  = allowance{"pairing from ", auth.PairingEach, auth.PairingPause}
	pairingAll   = allowance{"pairing", auth.PairingTries, auth.PairingPause}
	makingFrom   = allowance{"making a kitchen from ", auth.MakingEach, auth.MakingPause}
	linkingFrom  = allowance{"following a link from ", auth.LinkingEach, auth.PairingPause}
	readingFeeds = allowance{"reading a calendar from ", auth.FeedEach, auth.PairingPause}
)

func (a allowance) scope(of string) [32]byte { return auth.HashOf(a.what + of) }

// try counts one try, and refuses it where there were too many.
func (c *Scope) try(a allowance, of string) error {
	n, ends, err := c.Store.Try(c.ctx, a.scope(of), c.now, a.pause)
	if err != nil || n <= a.most {
		return err
	}
	c.audit("too many tries", "of", a.what, "address", c.visitor.Address)
	wait := max(int(ends.Sub(c.now)/time.Second), 1)
	r := refuse(TooManyRequests, "", "that was tried too often: try again in %s", spoken(wait))
	r.Wait = time.Duration(wait) * time.Second
	return r
}

func spoken(seconds int) string {
	if seconds < 90 {
		return fmt.Sprintf("%d seconds", seconds)
	}
	return fmt.Sprintf("%d minutes", (seconds+59)/60)
}

// audit notes what concerns who may come in, and what leaves the house. No secret stands in it.
func (c *Scope) audit(what string, more ...any) {
	c.Log.Info("audit", append([]any{"what", what, "from", c.visitor.Address}, more...)...)
}
