package timetable

import "time"

// meals are the hours for which a loaf is mostly wanted: breakfast, noon and supper.
var meals = []int{7, 12, 18}

// mealAhead is how long before a meal a loaf can still be begun for it.
const mealAhead = 5 * time.Hour

// NextMeal is where a first wish for a ready time starts from: the next breakfast, noon or supper at least five hours
// ahead.
func NextMeal(now time.Time, zone *time.Location) Wall {
	soonest := now.Add(mealAhead).In(zone)
	for days := range 2 {
		for _, hour := range meals {
			at := time.Date(soonest.Year(), soonest.Month(), soonest.Day()+days, hour, 0, 0, 0, zone)
			if !at.Before(soonest.Truncate(time.Minute)) {
				return WallOf(at, zone)
			}
		}
	}
	return WallOf(soonest, zone)
}
