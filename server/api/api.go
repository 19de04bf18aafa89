// Package api holds the contract: openapi.yaml and the Go types and routes that
// are generated from it by make generate.
package api

import (
	_ "embed"
	"encoding/json"
)

// Spec is the contract itself, for validating requests against.
//
//go:embed openapi.yaml
var Spec []byte

// Document is a tray file or a brief as it came: this package does not look inside.
type Document = json.RawMessage
