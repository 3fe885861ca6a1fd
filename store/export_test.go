package store

// OpenWithin is Open with another patience, for tests of a database that hangs.
var OpenWithin = open
