package bolt

import "strconv"

// place answers the JSON pointer of an element.
func place(path string, index ...int) string {
	for _, i := range index {
		path += "/" + strconv.Itoa(i)
	}
	return path
}
