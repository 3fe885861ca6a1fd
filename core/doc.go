// Package core is the folder of the rules of the job: pure, no input or
// output, no clock, no words of the interface. Its packages import the
// standard library, numeric and geometry libraries, and each other, one way.
package core
