package main

import (
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"strconv"
	"time"

	"github.com/prometheus/client_golang/prometheus"
	"github.com/prometheus/client_golang/prometheus/collectors"
	"github.com/prometheus/client_golang/prometheus/promhttp"

	"risepan/store"
)

// measure serves figures in Prometheus' form on a port of this computer alone, where the options ask for them. It
// returns what is told of every request, nil without figures, and how to stop.
func (o *options) measure(log *slog.Logger, s *store.Store) (seen func(route string, status int, took time.Duration),
	stop func(), err error) {
	if o.metrics == 0 {
		return nil, func() {}, nil
	}
	listener, err := net.Listen("tcp", net.JoinHostPort("127.0.0.1", strconv.Itoa(o.metrics)))
	if err != nil {
		return nil, nil, fmt.Errorf("no figures can be had on port %d: choose another with --metrics", o.metrics)
	}
	registry := prometheus.NewRegistry()
	requests := prometheus.NewHistogramVec(prometheus.HistogramOpts{
		Name: "rise_pan_request_seconds", Help: "How long requests took, by call and status.", Buckets: []float64{.002,
			.005, .01, .02, .05, .1, .2, .5, 1, 2, 5},
	}, []string{"call", "status"})
	registry.MustRegister(requests, collectors.NewGoCollector(),
		collectors.NewProcessCollector(collectors.ProcessCollectorOpts{}), collectors.NewDBStatsCollector(s.DB(),
			"risepan"))
	server := &http.Server{Handler: promhttp.HandlerFor(registry, promhttp.HandlerOpts{}),
		ReadHeaderTimeout: 10 * time.Second}
	go func() {
		if err := server.Serve(listener); err != http.ErrServerClosed {
			log.Error("no figures any more", "error", err)
		}
	}()
	seen = func(route string, status int, took time.Duration) {
		requests.WithLabelValues(route, strconv.Itoa(status)).Observe(took.Seconds())
	}
	return seen, func() { server.Close() }, nil
}
