// Package schedule plans several loaves on several machines.
//
// [Make] finds which machine each loaf is baked on, when Start is pressed and what the timer is set to, so that
// loaves are on time, machines have cooled and hands are where they are wanted. It compares plans by loaves
// without a place, then minutes of lateness, then waiting, then how evenly hands are asked for. The search is a
// branch and bound; what it finds is the best there is, or is marked as not proven.
//
// Times are whole minutes since the planned day begins. The package knows nothing of bread.
package schedule
