package scoop

// budget is the work of one solution, in units of about ten nanoseconds: far more than any loaf of a
// home kitchen asks for, and a bound on what a request can ask for.
const budget = 3_000_000

// work counts what a solution costs.
type work struct {
	left      int
	stop      <-chan struct{}
	brokenOff bool
	count     int
}

// spend takes units of work off the budget; false when it is used up, or nobody waits for the answer.
func (w *work) spend(units int) bool {
	w.left -= units
	if w.count++; w.count%1024 == 0 {
		select {
		case <-w.stop:
			w.left = 0
		default:
		}
	}
	if w.left <= 0 {
		w.brokenOff = true
		return false
	}
	return true
}
