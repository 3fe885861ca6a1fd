package brief

// Face is the way a wall faces.
type Face string

// Faces, by the direction they look.
const (
	FaceFront Face = "front"
	FaceRear  Face = "rear"
	FaceLeft  Face = "left"
	FaceRight Face = "right"
	FaceUp    Face = "up"
	FaceDown  Face = "down"
)
