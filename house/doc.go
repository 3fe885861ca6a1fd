// Package house holds the tests of how the house is kept: which way its arrows
// point, how long a line and a function may grow. It has no code of its own.
package house
