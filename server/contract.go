package server

import (
	"bytes"
	"context"
	"errors"
	"io"
	"maps"
	"net/http"
	"slices"
	"strings"
	"sync"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/getkin/kin-openapi/openapi3filter"
	"github.com/getkin/kin-openapi/routers"
	"github.com/getkin/kin-openapi/routers/gorillamux"
	"github.com/gin-gonic/gin"

	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

// contract is openapi.yaml as requests are held against it. It is shared by all requests
// and never changed.
type contract struct {
	router routers.Router
	bounds map[string]bounds // by operation
}

// readContract reads it once, for all servers of a process.
var readContract = sync.OnceValues(func() (*openapi3.T, error) {
	spec, err := api.GetSpecJSON()
	if err != nil {
		return nil, err
	}
	doc, err := openapi3.NewLoader().LoadFromData(spec)
	if err != nil {
		return nil, err
	}
	for _, item := range doc.Paths.Map() {
		for _, op := range item.Operations() {
			op.OperationID = strings.ToLower(op.OperationID[:1]) + op.OperationID[1:] // as openapi.yaml has it; packed it is named as its method in Go
		}
	}
	return doc, doc.Validate(context.Background())
})

func newContract() (*contract, error) {
	doc, err := readContract()
	if err != nil {
		return nil, err
	}
	of, err := boundsOf(doc)
	if err != nil {
		return nil, err
	}
	router, err := gorillamux.NewRouter(doc)
	return &contract{router, of}, err
}

// routeKey is where it lies in a request's context what the contract knows of it.
const routeKey = "route"

type found struct {
	route  *routers.Route
	params map[string]string
}

// find notes what the contract knows of a request.
func (k *contract) find(c *gin.Context) {
	if route, params, err := k.router.FindRoute(c.Request); err == nil {
		c.Set(routeKey, found{route, params})
	}
}

// operation names what a request asks for; "" for what the contract does not know.
func operation(c *gin.Context) string {
	if f, ok := c.Get(routeKey); ok {
		return f.(found).route.Operation.OperationID
	}
	return ""
}

// boundsOf are the bounds of what a request asks for.
func (k *contract) boundsOf(c *gin.Context) bounds {
	if b, ok := k.bounds[operation(c)]; ok {
		return b
	}
	return unknown
}

// validate checks a request against the contract before a handler sees it.
func (k *contract) validate(c *gin.Context) {
	known, ok := c.Get(routeKey)
	if !ok {
		problem(c, http.StatusNotFound, "There is nothing here", "", "")
		return
	}
	route, params := known.(found).route, known.(found).params
	if !fitting(route.Operation, c.ContentType()) {
		problem(c, http.StatusUnsupportedMediaType, "This cannot be taken", "Send it as "+strings.Join(kinds(route.Operation), " or ")+".", "Content-Type")
		return
	}
	raw := body(c)
	inside := opaque(route.Operation, raw) // then the core looks at it, once
	asJSON := c.ContentType() == "" || c.ContentType() == "application/json"
	if len(raw) > 0 && asJSON && !inside { // depth and syntax first
		if err := document.Sound(raw); err != nil {
			var bad *fault.Error
			errors.As(err, &bad)
			problem(c, http.StatusBadRequest, "This request cannot be read", bad.Says, bad.Field)
			return
		}
	}
	err := openapi3filter.ValidateRequest(c.Request.Context(), &openapi3filter.RequestValidationInput{Request: c.Request, PathParams: params, Route: route,
		Options: &openapi3filter.Options{AuthenticationFunc: openapi3filter.NoopAuthenticationFunc, ExcludeRequestBody: inside}})
	if err != nil {
		field, says := plain(err)
		problem(c, http.StatusBadRequest, "This request cannot be read", says, field)
		return
	}
	c.Request.Body = io.NopCloser(bytes.NewReader(raw))
}

// opaque reports whether an operation's body is a whole tray or brief, whose
// inside the contract leaves to the core; it is then enough that it is an
// object, and not worth decoding a second time.
func opaque(op *openapi3.Operation, body []byte) bool {
	if op.RequestBody != nil && op.RequestBody.Value.Content.Get("application/json") == nil {
		return true // no JSON: a drawing, a table, a picture
	}
	if op.RequestBody == nil || !bytes.HasPrefix(bytes.TrimSpace(body), []byte("{")) {
		return false
	}
	media := op.RequestBody.Value.Content.Get("application/json")
	return media != nil && media.Schema != nil && media.Schema.Value.Extensions["x-go-type"] == "Document"
}

// kinds lists the media types an operation takes.
func kinds(op *openapi3.Operation) []string {
	if op.RequestBody == nil {
		return nil
	}
	return slices.Sorted(maps.Keys(op.RequestBody.Value.Content))
}

// fitting reports whether a body of the media type can be taken. JSON need not
// be named.
func fitting(op *openapi3.Operation, media string) bool {
	all := kinds(op)
	return len(all) == 0 || slices.Contains(all, media) || media == "" && slices.Contains(all, "application/json")
}

// plain takes field and reason out of a validation error.
func plain(err error) (field, says string) {
	says = "the request does not follow the contract"
	var req *openapi3filter.RequestError
	if errors.As(err, &req) {
		if req.Parameter != nil {
			field = req.Parameter.Name
		}
		if req.Reason != "" {
			says = req.Reason
		}
	}
	var schema *openapi3.SchemaError
	if errors.As(err, &schema) {
		if at := strings.Join(schema.JSONPointer(), "."); at != "" {
			field = at
		}
		says = schema.Reason
	}
	return field, says
}
