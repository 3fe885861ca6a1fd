package job

import "warmanvil/core/brief"

// What is said of values and of what stands beside a verdict is the core's.
type (
	Trust       = brief.Trust
	Given       = brief.Given
	Source      = brief.Source
	Criticality = brief.Criticality
	Answers     = brief.Answers
	Beside      = brief.Beside
)

// Trusts and criticalities under their names here.
const (
	Measured = brief.Measured
	Copied   = brief.Copied
	Memory   = brief.Memory
	Assumed  = brief.Assumed

	Comfort  = brief.Comfort
	LoadLost = brief.LoadLost
	People   = brief.People

	Answered = brief.Answered
)

func leastTrusted(list []Source) *Source { return brief.LeastTrusted(list) }
