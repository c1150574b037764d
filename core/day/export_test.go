package day

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
