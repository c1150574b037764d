package store

import (
	"context"
	"database/sql"
	"errors"
	"time"
)

// ErrNameTaken is returned where another household signs in by a name.
var ErrNameTaken = errors.New("another kitchen on this server goes by that name")

// Role is what a person may do in a kitchen.
type Role string

const (
	Owner  Role = "owner"
	Member Role = "member"
)

// Household is the people of one kitchen. A kitchen that has none is open to whoever sits at the computer.
type Household struct {
	ID         string
	KitchenID  string
	Name       string // by which its people sign in
	Passphrase string // as it is kept
	Recovery   [32]byte
	MadeKey    string // the Idempotency-Key of its making
	CreatedAt  time.Time
}

// Person is somebody of a household.
type Person struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Role Role   `json:"role"`
}

// AddHousehold gives a kitchen its household and its owner. A name that is taken is ErrNameTaken; a kitchen that has a
// household already is too.
func (q Queries) AddHousehold(ctx context.Context, h Household, owner string) (household, person string, err error) {
	household = NewID()
	_, err = q.q.ExecContext(ctx,
		`INSERT INTO households (id, kitchen_id, name, passphrase, recovery, made_key, created_at) VALUES (?, ?, ?, ?,
			?, ?, ?)`,
		household, h.KitchenID, h.Name, h.Passphrase, h.Recovery[:], h.MadeKey, h.CreatedAt.UTC())
	if duplicate(err) {
		return "", "", ErrNameTaken
	}
	if err != nil {
		return "", "", err
	}
	person, err = q.AddPerson(ctx, household, owner, Owner, h.CreatedAt)
	return household, person, err
}

// AddPerson adds somebody to a household.
func (q Queries) AddPerson(ctx context.Context, household, name string, role Role, at time.Time) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO people (id, household_id, name, role, created_at) VALUES (?, ?, ?, ?, ?)`, id, household, name,
		role, at.UTC())
	return id, err
}

const householdColumns = `SELECT id, kitchen_id, name, passphrase, recovery, made_key, created_at FROM households
	WHERE `

func (q Queries) household(ctx context.Context, where string, args ...any) (h Household, err error) {
	var recovery []byte
	err = q.q.QueryRowContext(ctx, householdColumns+where, args...).Scan(&h.ID, &h.KitchenID, &h.Name, &h.Passphrase,
		&recovery, &h.MadeKey, &h.CreatedAt)
	copy(h.Recovery[:], recovery)
	return h, found(err)
}

// HouseholdNamed finds the household that signs in by a name.
func (q Queries) HouseholdNamed(ctx context.Context, name string) (Household, error) {
	return q.household(ctx, `name = ?`, name)
}

// NameKey is the same for all spellings of a name that HouseholdNamed takes for one.
func (q Queries) NameKey(ctx context.Context, name string) (key string, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT HEX(WEIGHT_STRING(CONVERT(? USING utf8mb4) COLLATE utf8mb4_uca1400_ai_ci))`,
		name).Scan(&key)
	return key, err
}

// HouseholdOf finds the household of a kitchen.
func (q Queries) HouseholdOf(ctx context.Context, kitchenID string) (Household, error) {
	return q.household(ctx, `kitchen_id = ?`, kitchenID)
}

// Households counts the households of this server.
func (q Queries) Households(ctx context.Context) (n int, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT COUNT(*) FROM households`).Scan(&n)
	return n, err
}

// Relock changes a household's passphrase, its code for recovery, or both; what is empty stays.
func (q Queries) Relock(ctx context.Context, household, passphrase string, recovery *[32]byte) error {
	if passphrase != "" {
		if _, err := q.q.ExecContext(ctx, `UPDATE households SET passphrase = ? WHERE id = ?`, passphrase,
			household); err != nil {
			return err
		}
	}
	if recovery == nil {
		return nil
	}
	_, err := q.q.ExecContext(ctx, `UPDATE households SET recovery = ? WHERE id = ?`, recovery[:], household)
	return err
}

// OwnerOf is the household's owner.
func (q Queries) OwnerOf(ctx context.Context, household string) (p Person, err error) {
	err = q.q.QueryRowContext(ctx,
		`SELECT id, name, role FROM people WHERE household_id = ? AND role = ? ORDER BY id LIMIT 1`, household,
		Owner).Scan(&p.ID, &p.Name, &p.Role)
	return p, found(err)
}

// People lists a household's people, the owner first.
func (q Queries) People(ctx context.Context, household string) ([]Person, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT id, name, role FROM people WHERE household_id = ? ORDER BY id`,
		household)
	return list(rows, err, func(scan func(...any) error) (p Person, err error) {
		return p,
			scan(&p.ID, &p.Name, &p.Role)
	})
}

// RemovePerson takes somebody out of a household and ends all devices of theirs. An owner stays.
func (q Queries) RemovePerson(ctx context.Context, household, id string) error {
	for _, query := range []string{
		`DELETE s FROM sessions s JOIN people p ON p.id = s.person_id WHERE s.household_id = ? AND p.id = ? AND p.role
			<> 'owner'`,
		`DELETE FROM pairings WHERE household_id = ? AND person_id = ?`,
	} {
		if _, err := q.q.ExecContext(ctx, query, household, id); err != nil {
			return err
		}
	}
	r, err := q.q.ExecContext(ctx, `DELETE FROM people WHERE household_id = ? AND id = ? AND role <> 'owner'`,
		household, id)
	return one(r, err)
}

// one is ErrNotFound where a statement changed nothing.
func one(r sql.Result, err error) error {
	if err != nil {
		return err
	}
	if n, err := r.RowsAffected(); err != nil || n == 0 {
		return errors.Join(ErrNotFound, err)
	}
	return nil
}

// Access is what a device may do in a kitchen.
type Access struct {
	Household string // empty: the kitchen has none, and is open
	Session   string // empty: this device is not signed in here
	Person    Person
	UsedAt    time.Time
	EndsAt    time.Time
}

// SignedIn reports whether the device has a session in the kitchen that has not ended.
func (a Access) SignedIn(now time.Time) bool { return a.Session != "" && now.Before(a.EndsAt) }

// Access finds a kitchen that is not put away, and the session in it of the device that holds a secret of this hash.
func (q Queries) Access(ctx context.Context, kitchenID string, token [32]byte) (a Access, err error) {
	var household, session, person, name, role sql.NullString
	var used, ends sql.NullTime
	err = q.q.QueryRowContext(ctx, `SELECT h.id, s.id, p.id, p.name, p.role, s.used_at, s.ends_at FROM kitchens k LEFT
		JOIN households h ON h.kitchen_id = k.id
		LEFT JOIN sessions s ON s.household_id = h.id AND s.token = ? LEFT JOIN people p ON p.id = s.person_id
		WHERE k.id = ? AND NOT k.put_away`, token[:], kitchenID).Scan(&household, &session, &person, &name, &role, &used, &ends)
	return Access{household.String, session.String, Person{person.String, name.String, Role(role.String)}, used.Time,
		ends.Time}, found(err)
}

// Session is one device that is signed in.
type Session struct {
	ID        string
	Household string
	KitchenID string
	Person    Person
	Device    string
	UsedAt    time.Time
	EndsAt    time.Time
}

const sessionColumns = `SELECT s.id, s.household_id, h.kitchen_id, p.id, p.name, p.role, s.device, s.used_at,
	s.ends_at FROM sessions s
	JOIN households h ON h.id = s.household_id JOIN people p ON p.id = s.person_id WHERE `

func scanSession(scan func(...any) error) (s Session, err error) {
	return s, scan(&s.ID, &s.Household, &s.KitchenID, &s.Person.ID, &s.Person.Name, &s.Person.Role, &s.Device,
		&s.UsedAt, &s.EndsAt)
}

// SessionOf finds the session of the device that holds a secret of this hash.
func (q Queries) SessionOf(ctx context.Context, token [32]byte) (Session, error) {
	s, err := scanSession(q.q.QueryRowContext(ctx, sessionColumns+`s.token = ?`, token[:]).Scan)
	return s, found(err)
}

// Sessions lists a household's devices, the one used last first.
func (q Queries) Sessions(ctx context.Context, household string, now time.Time) ([]Session, error) {
	rows, err := q.q.QueryContext(ctx, sessionColumns+
		`s.household_id = ? AND s.ends_at > ? ORDER BY s.used_at DESC, s.id DESC`, household, now.UTC())
	return list(rows, err, scanSession)
}

// SignIn notes a device that holds a secret of this hash.
func (q Queries) SignIn(ctx context.Context, household, person string, token [32]byte, device string, at,
	ends time.Time) error {
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO sessions (id, household_id, person_id, token, device, created_at, used_at, ends_at) VALUES (?, ?,
			?, ?, ?, ?, ?, ?)`,
		NewID(), household, person, token[:], device, at.UTC(), at.UTC(), ends.UTC())
	return err
}

// Used notes that a device was used.
func (q Queries) Used(ctx context.Context, household, session string, at, ends time.Time) error {
	_, err := q.q.ExecContext(ctx, `UPDATE sessions SET used_at = ?, ends_at = ? WHERE household_id = ? AND id = ?`,
		at.UTC(), ends.UTC(), household, session)
	return err
}

// EndSession signs a device of a household out.
func (q Queries) EndSession(ctx context.Context, household, id string) error {
	return one(q.q.ExecContext(ctx, `DELETE FROM sessions WHERE household_id = ? AND id = ?`, household, id))
}

// EndOtherSessions signs all devices of a household out but one; except may be empty.
func (q Queries) EndOtherSessions(ctx context.Context, household, except string) error {
	if except == "" {
		_, err := q.q.ExecContext(ctx, `DELETE FROM sessions WHERE household_id = ?`, household)
		return err
	}
	_, err := q.q.ExecContext(ctx, `DELETE FROM sessions WHERE household_id = ? AND id <> ?`, household, except)
	return err
}

// Pairing is a code by which one more device comes in, once.
type Pairing struct {
	Household string
	Person    string // whose device it will be; empty: somebody's who is new
	EndsAt    time.Time
}

// ErrTooManyCodes is returned where as many codes are good as may be.
var ErrTooManyCodes = errors.New("as many devices as may be are being paired on this server: try again in some minutes")

// AddPairing keeps a code in the place of the household's code before.
func (q Queries) AddPairing(ctx context.Context, p Pairing, code [32]byte, now time.Time, most int) error {
	if _, err := q.q.ExecContext(ctx, `DELETE FROM pairings WHERE household_id = ? OR ends_at <= ?`, p.Household,
		now.UTC()); err != nil {
		return err
	}
	var live int
	if err := q.q.QueryRowContext(ctx, `SELECT COUNT(*) FROM pairings`).Scan(&live); err != nil {
		return err
	}
	if live >= most {
		return ErrTooManyCodes
	}
	var person any
	if p.Person != "" {
		person = p.Person
	}
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO pairings (id, household_id, person_id, code, ends_at) VALUES (?, ?, ?, ?, ?)`, NewID(),
		p.Household, person, code[:], p.EndsAt.UTC())
	return err
}

// TakePairing uses a code up; ErrNotFound for one that is not good, or not any more.
func (q Queries) TakePairing(ctx context.Context, code [32]byte, now time.Time) (p Pairing, err error) {
	var id string
	var person sql.NullString
	err = q.q.QueryRowContext(ctx,
		`SELECT id, household_id, person_id, ends_at FROM pairings WHERE code = ? AND ends_at > ? FOR UPDATE`, code[:],
		now.UTC()).
		Scan(&id, &p.Household, &person, &p.EndsAt)
	if err != nil {
		return p, found(err)
	}
	p.Person = person.String
	return p, one(q.q.ExecContext(ctx, `DELETE FROM pairings WHERE id = ?`, id))
}

// Try counts one try in a scope, in a transaction of its own so that it counts whatever follows, and says how many
// there were since the window began, and when it ends.
func (s *Store) Try(ctx context.Context, scope [32]byte, now time.Time, window time.Duration) (n int, ends time.Time,
	err error) {
	err = s.Do(ctx, func(q Queries) error {
		old := now.Add(-window).UTC()
		_, err := q.q.ExecContext(ctx, `INSERT INTO tries (id, scope, began, number) VALUES (?, ?, ?, 1) ON DUPLICATE
			KEY UPDATE
			number = IF(began <= ?, 1, number + 1), began = IF(began <= ?, VALUES(began),
				began)`, NewID(), scope[:], now.UTC(), old, old)
		if err != nil {
			return err
		}
		var began time.Time
		err = q.q.QueryRowContext(ctx, `SELECT number, began FROM tries WHERE scope = ?`, scope[:]).Scan(&n, &began)
		ends = began.Add(window)
		return err
	})
	return n, ends, err
}

// Forgive forgets the tries of a scope: the right one came.
func (q Queries) Forgive(ctx context.Context, scope [32]byte) error {
	_, err := q.q.ExecContext(ctx, `DELETE FROM tries WHERE scope = ?`, scope[:])
	return err
}

// Uncount takes one try of a scope back, for it was a good one.
func (q Queries) Uncount(ctx context.Context, scope [32]byte) error {
	_, err := q.q.ExecContext(ctx, `UPDATE tries SET number = number - 1 WHERE scope = ? AND number > 0`, scope[:])
	return err
}
