# Warm Anvil. `make demo` and `make test` are all one needs to know.
SHELL := /bin/bash
GO ?= go
export CGO_ENABLED = 0

.PHONY: demo test dev bench fuzz soak screenshots setup setup-demo ui api lint lint-go lint-ui race clean

# Private database, demo jobs, loopback server. Ctrl-C stops both.
demo: setup-demo bin/warmanvil
	@exec bin/warmanvil demo

setup-demo:
	@scripts/setup.sh demo

setup:
	@scripts/setup.sh test

GO_FILES := $(shell find . -name '*.go' -not -path './ui/node_modules/*') $(shell find store/migrations -name '*.sql') go.mod go.sum
UI_FILES := $(shell find ui/src ui/public -type f) ui/index.html ui/vite.config.ts ui/package-lock.json

bin/warmanvil: $(GO_FILES) ui/dist/index.html
	$(GO) build -o $@ ./cmd/warmanvil

ui: ui/dist/index.html

ui/dist/index.html: $(UI_FILES) | ui/node_modules/.installed
	cd ui && npm run -s build

ui/node_modules/.installed: ui/package-lock.json
	cd ui && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

# The API's description and the front end's types, from the Go types.
api: ui/node_modules/.installed
	$(GO) run ./cmd/warmanvil openapi > docs/openapi.json.new && mv docs/openapi.json.new docs/openapi.json
	cd ui && npm run -s types

lint: lint-go lint-ui

lint-go:
	@test -z "$$(gofmt -l $$(git ls-files '*.go'))" || { gofmt -l $$(git ls-files '*.go'); echo "run gofmt"; exit 1; }
	$(GO) vet ./...
	$(GO) tool staticcheck ./...

lint-ui: ui/node_modules/.installed
	cd ui && npm run -s format && npm run -s lint && npm run -s check

# What works side by side is tested with the race detector.
RACED = ./core/... ./job/... ./store/... ./task ./httpapi

race:
	CGO_ENABLED=1 $(GO) test -race -timeout 40m $(RACED)

# Neither the lints nor the end of the race keep two cores busy by themselves.
test: setup ui
	@$(MAKE) --no-print-directory -j2 -O race lint
	$(GO) test -timeout 60m $$($(GO) list ./... | grep -vxF "$$($(GO) list $(RACED))")
# A count, about 20 s: a fuzz run ended by the clock now and then fails by its own deadline.
	$(GO) test -run '^$$' -fuzz FuzzRead -fuzztime 300000x ./core/trace

# Front end with hot reload on a demo server of its own.
dev: setup-demo bin/warmanvil
	@trap 'kill 0' EXIT; bin/warmanvil demo --address 127.0.0.1:8459 & \
	cd ui && WARMANVIL_SERVER=http://127.0.0.1:8459 npm run -s dev

bench: setup ui
	$(GO) test -p 1 -run '^$$' -bench . -benchmem ./core/... ./job ./httpapi ./e2e

# What one person's heavy work does to another, and five hundred people saving: three minutes.
soak: setup
	WARMANVIL_SOAK=60s $(GO) test -count 1 -v -run 'TestSoak' ./httpapi
	$(GO) test -count 1 -run 'TestKilledDuringSaves|TestDatabaseThatHangs' ./cmd/warmanvil

FUZZTIME ?= 30s
fuzz:
	$(GO) test -run '^$$' -fuzz FuzzParse -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./core/quantity
	$(GO) test -run '^$$' -fuzz FuzzRead -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./core/trace
	$(GO) test -run '^$$' -fuzz FuzzRecipe -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./strictjson
	$(GO) test -run '^$$' -fuzz FuzzUnpack -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./store
	$(GO) test -run '^$$' -fuzz FuzzCalc -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./calc
	$(GO) test -run '^$$' -fuzz FuzzPointsIn -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./core/vehicle
	$(GO) test -run '^$$' -fuzz FuzzBrief -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./job
	$(GO) test -run '^$$' -fuzz FuzzSurvey -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./job
	$(GO) test -run '^$$' -fuzz FuzzFrame -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./job
	$(GO) test -run '^$$' -fuzz FuzzJobFile -fuzztime $(FUZZTIME) -fuzzminimizetime 10x ./job

# One picture of each main view, from the demo jobs.
screenshots: setup ui
	WARMANVIL_SCREENSHOTS=$(CURDIR)/docs/screenshots $(GO) test -count 1 -run TestScreenshots ./e2e

clean:
	rm -rf bin ui/dist/assets ui/dist/index.html ui/dist/favicon.svg ui/node_modules
