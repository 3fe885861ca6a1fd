package sheet

// Started is one part a starter made.
type Started struct {
	Name     string
	Quantity int
	Recipe   Recipe
}
