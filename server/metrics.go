package server

import (
	"net/http"
	"net/http/pprof"
	"strconv"
	"strings"
	"time"

	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"

	"happytray/app"
)

// Metrics are figures of a running server, for whoever watches over it. A nil one counts
// nothing.
type Metrics struct {
	registry *prometheus.Registry
	took     *prometheus.HistogramVec
	panics   prometheus.Counter
}

// NewMetrics counts requests, and the connections of an app to its database.
func NewMetrics(a *app.App, version string) *Metrics {
	m := &Metrics{
		registry: prometheus.NewRegistry(),
		took: prometheus.NewHistogramVec(prometheus.HistogramOpts{Name: "happytray_request_seconds", Help: "How long answers took.",
			Buckets: []float64{.001, .0025, .005, .01, .025, .05, .1, .25, .5, 1, 2.5, 5, 15, 60}}, []string{"method", "route", "status"}),
		panics: prometheus.NewCounter(prometheus.CounterOpts{Name: "happytray_panics_total", Help: "Requests that ended in a panic."}),
	}
	built := prometheus.NewGauge(prometheus.GaugeOpts{Name: "happytray_build_info", Help: "1, with the version.", ConstLabels: prometheus.Labels{"version": version}})
	built.Set(1)
	m.registry.MustRegister(m.took, m.panics, built, collectors.NewGoCollector(), collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}),
		prometheus.NewGaugeFunc(prometheus.GaugeOpts{Name: "happytray_database_connections", Help: "Open connections to the database."},
			func() float64 { return float64(a.Connections().OpenConnections) }),
		prometheus.NewCounterFunc(prometheus.CounterOpts{Name: "happytray_database_waits_total", Help: "How often somebody waited for a connection."},
			func() float64 { return float64(a.Connections().WaitCount) }))
	return m
}

// waiting tells how many wait in a queue.
func (m *Metrics) waiting(name string, length func() int) {
	if m != nil {
		m.registry.MustRegister(prometheus.NewGaugeFunc(prometheus.GaugeOpts{Name: "happytray_waiting", Help: "Requests that wait for a turn.", ConstLabels: prometheus.Labels{"queue": name}},
			func() float64 { return float64(length()) }))
	}
}

func (m *Metrics) answered(method, route string, status int, took time.Duration) {
	if m != nil {
		m.took.WithLabelValues(method, route, strconv.Itoa(status)).Observe(took.Seconds())
	}
}

func (m *Metrics) panicked() {
	if m != nil {
		m.panics.Inc()
	}
}

// Handler serves /metrics and /debug/pprof. It belongs on an address of its own that
// only this machine reaches, and answers under names of this machine alone: a page elsewhere whose name was made to lead
// here reads nothing.
func (m *Metrics) Handler() http.Handler {
	mux := http.NewServeMux()
	mux.Handle("GET /metrics", promhttp.HandlerFor(m.registry, promhttp.HandlerOpts{}))
	mux.HandleFunc("GET /debug/pprof/", pprof.Index)
	mux.HandleFunc("GET /debug/pprof/cmdline", pprof.Cmdline)
	mux.HandleFunc("GET /debug/pprof/profile", pprof.Profile)
	mux.HandleFunc("GET /debug/pprof/symbol", pprof.Symbol)
	mux.HandleFunc("GET /debug/pprof/trace", pprof.Trace)
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if name := hostOf(strings.ToLower(r.Host)); name != "localhost" && !loopback(name) {
			http.Error(w, "open it as localhost", http.StatusMisdirectedRequest)
			return
		}
		mux.ServeHTTP(w, r)
	})
}
