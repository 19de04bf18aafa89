// Package api holds the contract: openapi.yaml and the Go types and routes that
// are generated from it by make generate, with the contract itself, packed, for
// validating requests against.
package api

import "encoding/json"

// Document is a tray file or a brief as it came: this package does not look inside.
type Document = json.RawMessage
