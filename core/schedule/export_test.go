package schedule

// MakePriced plans a day with prices of hands, however few its loaves.
func MakePriced(w Wanted) (Plan, error) {
	if err := w.Check(); err != nil {
		return Plan{}, err
	}
	if w.Grid == 0 {
		w.Grid = usualGrid
	}
	s := newSearch(w)
	s.patience = 0
	return s.run(), nil
}

// MakeCounted plans a day, and tells how much of the budget was left.
func MakeCounted(w Wanted) (Plan, int) {
	if w.Grid == 0 {
		w.Grid = usualGrid
	}
	s := newSearch(w)
	p := s.run()
	return p, s.left
}

// Recalls reports whether a day is answered from memory.
func (m *Memory) Recalls(w Wanted) bool { _, ok := m.recall(w); return ok }
