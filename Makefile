# Happy Tray. `make demo` and `make test` do all their own set-up on a Debian
# machine with Go and Node.
SHELL := /bin/bash
# msgpack is a codec of a library that nothing here speaks
export GOFLAGS := -buildvcs=false -tags=nomsgpack
VERSION := $(shell git describe --tags --always --dirty 2>/dev/null || echo dev)

WEB_SOURCES := $(shell find web/src web/public -type f) web/*.html web/*.ts web/package.json docs/craft.md core/practice/rules.json
GO_SOURCES := $(shell find . -name node_modules -prune -o -name .local -prune -o \( -name '*.go' -o -name '*.sql' -o -name '*.json' -path './core/*' -o -name openapi.yaml \) -print)
# all that the browser's half of make check reads
CHECKED_WEB := web e2e docs/craft.md docs/formats/tray.schema.json core/practice/rules.json core/review/checks.json
GENERATED := server/api/api.gen.go core/food/data.zip web/src/api/contract.gen.ts web/src/api/tray.gen.ts
# what decides what is generated, the generators' versions too
MADE_FROM := $(wildcard core/food/data/*.json) server/api/openapi.yaml server/api/codegen.yaml docs/formats/tray.schema.json web/package-lock.json go.mod
# packages in which goroutines meet, tested with the race detector and nowhere else, and the
# tests of others in which they do
RACY := ./app/... ./store/...
# of which all is run without the detector, too; core/edit begins no goroutine of its own, and app edits from several
RACY_CORE := ./core/workers ./core/pack ./core/search ./core/repair
RACY_SERVER := AtOnce|Each|Queue|Those|TooMany|Twenty|ArrangeStreams|Previews|AnEditKeeps|Lost|JobFromBrief|AKeyLets|LongAnswer
# tests that wait for time to pass or go through hundreds of cases: not for every commit
SLOW := TestAKeyLetsOneDeviceIn|TestSettingsThatCannotBeRead|TestThoseWhoReadNothing|TestPuttingOutEndsALongAnswer|TestAHangingDatabase|TestUpgradeFromEachOlderSchema|TestProbes|TestFaults|TestCornersAndStraightening|TestMovedPiecesAreNamed|TestEveryGroupFindsItsShare|TestBudgetsAreKept|TestConverges|TestDayAndSheets|TestTieredStands|TestLayIt|TestPlanOfATonOfEverything

.PHONY: help demo build check check-go check-web fresh test lint lint-go lint-web audit-web audit-frames audit-phone test-go-core test-go-race test-go-rest test-go test-web test-days generate shots sheet bench bench-arranging bench-cluster clean

help: ## say what there is to make
	@grep -hE '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sort | sed -E 's/:.*## /\t/' | expand -t 20

demo: build ## start everything with demo data at http://127.0.0.1:8080
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client
	@exec bin/happytray serve --demo --shop --scale --probe

build: bin/happytray ## the one binary, web included

bin/happytray: web/dist/index.html $(GO_SOURCES) go.mod go.sum
	CGO_ENABLED=0 go build -trimpath -ldflags "-s -w -X main.version=$(VERSION)" -o $@ ./cmd/happytray

web/dist/index.html: web/node_modules/.package-lock.json $(WEB_SOURCES)
	cd web && npm run --silent build -- --logLevel warn
	@touch $@

%/node_modules/.package-lock.json: %/package-lock.json
	cd $* && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

# The contract and the tray schema are the source; the code made from them is kept in the tree.
generate: web/node_modules/.package-lock.json ## make the generated code anew from the contract and the schema
	go tool oapi-codegen -config server/api/codegen.yaml server/api/openapi.yaml
	go run ./scripts/packlarder
	cd web && npm run --silent types >/dev/null

# for every commit: what is quick, nothing that starts a browser or searches for long
check: fresh ## the quick half of the tests, for every commit
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client
	@$(MAKE) --no-print-directory -j2 -Otarget check-go check-web

# lint-go has vetted it all; nobody debugs these binaries, and without what a debugger reads they link sooner
check-go: lint-go
	go test -short -vet=off -ldflags=-w -skip '$(SLOW)' $$(go list ./... | grep -vE '/(search|edit|repair|pack|demo|backup|cmd/happytray)$$')

# as Go remembers which tests passed, so is remembered of what files all of the browser's half did
check-web:
	@these=$$(git ls-files -co --exclude-standard $(CHECKED_WEB) | xargs -d '\n' sha256sum 2>/dev/null | sha256sum); \
	[ "$$these" = "$$(cat .local/checked-web 2>/dev/null)" ] || { \
	  $(MAKE) --no-print-directory lint-web && (cd web && npm run --silent test) && mkdir -p .local && echo "$$these" >.local/checked-web; }

test: lint test-go test-web ## every test there is
	@scripts/test-days.sh one
	@echo "All tests passed."

# the journeys want what test-web sets up
test-days: bin/happytray web/node_modules/.package-lock.json e2e/node_modules/.package-lock.json ## what depends on the clock, on fourteen days of the years
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium-headless-shell:chromium-headless-shell
	scripts/test-days.sh

lint: fresh
	@$(MAKE) --no-print-directory -j2 -Otarget lint-go lint-web

# everything that is made from something else is made, and the generated code is of now
fresh: web/node_modules/.package-lock.json e2e/node_modules/.package-lock.json
	@made=$$(cat $(GENERATED) $(MADE_FROM) | sha256sum); [ "$$made" = "$$(cat .local/generated 2>/dev/null)" ] || { \
	  before=$$(cat $(GENERATED) | sha256sum); $(MAKE) --no-print-directory generate; after=$$(cat $(GENERATED) | sha256sum); \
	  [ "$$before" = "$$after" ] || { echo "The generated code was out of date; it is made anew now, commit it."; exit 1; }; \
	  mkdir -p .local && echo "$$made" >.local/generated; }
	@$(MAKE) -s --no-print-directory web/dist/index.html

lint-go:
	@bad=$$(gofmt -l $$(git ls-files '*.go')); [ -z "$$bad" ] || { echo "not formatted: $$bad"; exit 1; }
	go vet ./...
	go tool staticcheck ./...

lint-web:
	cd web && npm run --silent lint
	cd web && npm run --silent check
	cd e2e && npm run --silent check

# one package at a time on either side, as most of them use one core; the core alone takes as long as all the rest
test-go: web/dist/index.html
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client nginx:nginx-light
	@$(MAKE) --no-print-directory -j2 -Otarget test-go-core test-go-race test-go-rest

test-go-core:
	go test -vet=off -ldflags=-w -p 1 ./core/...

test-go-rest:
	go test -vet=off -ldflags=-w -p 1 $$(go list ./... | grep -v '/core\(/\|$$\)' | grep -vxF "$$(go list $(RACY))")
	cd bench && go vet ./... && go test ./...

test-go-race:
	go test -vet=off -race -short -p 1 $(RACY) $(RACY_CORE)
	go test -vet=off -race -short -run '$(RACY_SERVER)' ./server

test-web: bin/happytray web/node_modules/.package-lock.json e2e/node_modules/.package-lock.json
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium-headless-shell:chromium-headless-shell
	@[ "$$(stat -c %s bin/happytray)" -lt 36000000 ] || { echo "bin/happytray has $$(stat -c %s bin/happytray) bytes; 36 million at most: what does it carry that nobody needs?"; exit 1; }
	cd web && npm run --silent test
	cd e2e && npx playwright test

# docs/screenshots, from demo data
shots: bin/happytray e2e/node_modules/.package-lock.json ## the screenshots in docs/screenshots, from demo data
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium-headless-shell:chromium-headless-shell
	cd e2e && npx playwright test --config shots.config.ts

# the arranger against other ways of laying a tray takes half an hour: make bench-arranging
bench: web/dist/index.html ## the benchmarks
	cd bench && go run ./arranging -briefs 8 -long 3
	cd bench && go run ./choosing
	cd bench && go run ./drops
	go test -run '^$$' -bench . -benchmem ./core/... ./art/... ./formats/... ./store/... ./server/...

bench-cluster: ## whether anything is lost when three nodes of a cluster are written at once
	@scripts/need.sh mariadbd:mariadb-server rsync:rsync /usr/lib/galera/libgalera_smm.so:galera-4
	cd bench && go run ./cluster

# performance, accessibility and what shifts, as Lighthouse sees the demo world on a desktop machine
audit-web: bin/happytray e2e/audit/node_modules/.package-lock.json ## the bench, Lay and Larder held against the bars of docs/speed.md
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium:chromium
	cd e2e/audit && node audit.mjs

audit-frames: bin/happytray e2e/node_modules/.package-lock.json ## frames and heap while something is carried over a tray of 60 elements
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium-headless-shell:chromium-headless-shell
	cd e2e/audit && node frames.mjs

audit-phone: bin/happytray e2e/node_modules/.package-lock.json ## how soon a phone shows something
	@scripts/need.sh mariadbd:mariadb-server mariadb-dump:mariadb-client chromium:chromium
	cd e2e/audit && node phone.mjs

# the tables of docs/arranging.md
bench-arranging: ## the tables of docs/arranging.md; takes half an hour
	cd bench && go run ./arranging -curve ../docs/arranging-cost.svg

clean: ## take away what was built
	rm -rf bin web/dist/assets web/dist/index.html web/node_modules e2e/node_modules e2e/audit/node_modules

# every food in every form, as pictures to look through: .local/sheet/sheet-1.png and on
sheet: ## every food in every form, as pictures to look through
	@scripts/need.sh chromium-headless-shell:chromium-headless-shell
	go run ./art/sheet .local/sheet
	@for page in .local/sheet/*.html; do chromium-headless-shell --no-sandbox --disable-gpu --hide-scrollbars --disable-background-networking --user-data-dir=.local/sheet/chromium \
	  --window-size=1500,1250 --screenshot=$${page%.html}.png "file://$$PWD/$$page" >/dev/null 2>&1; done; rm -rf .local/sheet/chromium; ls .local/sheet/*.png
