# Entremet. "make demo" to try it, "make test" to check it; the rest is for working on it.
PYTHON ?= python3
PORT ?= 8000
VENV := .venv
PY := $(VENV)/bin/python
UV := $(VENV)/bin/uv
STAMPS := $(VENV)/stamps
NODE := frontend/node_modules/.ready
FRONT_SOURCES := $(shell find frontend/src frontend/public -type f 2>/dev/null) frontend/index.html frontend/vite.config.ts frontend/tsconfig.json

# Compiled modules are kept whatever the shell says: else every start compiles each of them anew.
unexport PYTHONDONTWRITEBYTECODE

SHARE_FLAG := $(if $(SHARE),--share,) $(if $(TLS),--tls,)
DATA_NAME := $(if $(DEMO),--demo,)

.PHONY: demo run ready passphrase backup restore test check lint lint-python lint-interface lint-types lint-format bench hostile sweep kills mutants coverage examples heat-check timetable-check learning screenshots openapi lock licences clean preflight known guide wheel wheel-check

demo: preflight ready
	@$(PY) -m entremet.site.serve --demo --port $(PORT) $(SHARE_FLAG)

run: preflight ready
	@$(PY) -m entremet.site.serve --port $(PORT) $(SHARE_FLAG)

# The two halves are fetched side by side; the pages are built once both are there.
ready: | preflight
	@$(MAKE) --no-print-directory --silent -j 2 $(STAMPS)/base $(NODE)
	@$(MAKE) --no-print-directory --silent frontend/dist/index.html

COMPILE = $(UV) pip compile --quiet --generate-hashes --no-header --python-version 3.11 \
	--no-emit-index-url --no-emit-package pandas

# Python, Node and the port are looked at before anything is installed or changed.
preflight:
	@PYTHON="$(PYTHON)" VENV="$(VENV)" NODE="$(NODE)" PORT="$(PORT)" sh bin/preflight

# A new passphrase for the other screens; all of them are signed out by it.
passphrase: $(STAMPS)/base
	@$(PY) -m entremet.site.door.passphrase $(DATA_NAME)

backup: $(STAMPS)/base
	@$(PY) -m entremet.site.keep backup $(DATA_NAME)

restore: $(STAMPS)/base
	@$(PY) -m entremet.site.keep restore $(DATA_NAME) --file "$(FILE)"

test: fetched frontend/dist/index.html chromium
	cd frontend && npm run --silent test
	$(PY) -m pytest -n 3 --dist worksteal --durations=20

# What a change can reach, for every save: by what each test ran last time, or by what a file imports.
# A table (toml, csv, texts) is reached by nothing that could be followed, so it asks for all.
check: $(STAMPS)/dev $(NODE)
	$(VENV)/bin/ruff check --quiet .
	cd frontend && npx vitest run --changed --passWithNoTests --reporter=dot
	$(PY) -m pytest -n 2 --dist worksteal --ignore tests/browser \
		$(if $(shell git diff --name-only HEAD -- '*.toml' '*.csv' '*.txt' ':!requirements' 2>/dev/null),,--testmon)

# They know nothing of each other and run side by side, the longest first.
lint: fetched
	@$(MAKE) --no-print-directory --silent -j 2 lint-interface lint-python lint-types lint-format

lint-python:
	$(VENV)/bin/ruff check .
	$(VENV)/bin/mypy
	$(VENV)/bin/lint-imports
	$(PY) manage.py makemigrations --check --dry-run >/dev/null 2>&1 || { echo "A migration is missing: manage.py makemigrations"; exit 1; }

lint-interface:
	cd frontend && npx eslint . --max-warnings 0

lint-types:
	cd frontend && npx tsc --noEmit

lint-format:
	cd frontend && npx prettier --check --log-level warn .

bench: $(STAMPS)/dev frontend/dist/index.html chromium
	$(PY) -m bench.cpu
	$(PY) -m bench.growth
	$(PY) -m bench
	$(PY) -m bench.streams
	$(PY) -m bench.ticks

# All of what the everyday run takes a sample of, then calls that no baker would make.
hostile: $(STAMPS)/dev frontend/dist/index.html
	ENTREMET_HOSTILE=all $(PY) -m pytest -n 2 --dist worksteal -p schemathesis tests/hostile tests/kitchen/api/test_unfit_values.py tests/core/reading/test_hostile_text.py
	$(PY) -m bench.hostile 15000

# Every screen at every size in both themes; the everyday run takes one size of each.
sweep: $(STAMPS)/dev frontend/dist/index.html chromium
	ENTREMET_SWEEP=all $(PY) -m pytest -n 3 --dist worksteal tests/browser

kills: $(STAMPS)/dev frontend/dist/index.html
	$(PY) -m bench.kills 100

mutants: $(STAMPS)/dev $(NODE)
	$(PY) -m pytest -n 2 --dist worksteal --testmon --ignore tests/browser
	$(PY) -m bench.mutants 150

# The floor under what tests run of the rules and the kitchen; lines run are not lines tested, see "mutants".
coverage: $(STAMPS)/dev
	$(PY) -m pytest -n 2 tests/core tests/kitchen entremet/core --cov=entremet.core --cov=entremet.kitchen --cov-branch --cov-report=term:skip-covered --cov-fail-under=97

# The guide's pictures and papers anew: its steps are taken as they stand.
guide: fetched frontend/dist/index.html chromium
	ENTREMET_GUIDE=renew $(PY) -m pytest -q -p no:testmon tests/browser/test_guide.py

known: $(STAMPS)/dev
	ENTREMET_KNOWN=renew $(PY) -m pytest -q tests/known

examples: $(STAMPS)/dev
	ENTREMET_EXAMPLES=fresh $(PY) -m pytest tests/core -n auto

heat-check: $(STAMPS)/dev
	$(PY) -m bench.heat_check.run
	$(PY) -m bench.heat_check.plot

timetable-check: $(STAMPS)/dev
	$(PY) -m bench.timetable

learning: $(STAMPS)/dev
	$(PY) -m bench.learning

screenshots: $(STAMPS)/dev frontend/dist/index.html chromium
	$(PY) -m bench.screenshots

openapi: $(STAMPS)/dev $(NODE)
	$(PY) manage.py write_openapi tests/kitchen/api/openapi.json frontend/src/api/bounds.ts
	cd frontend && npm run --silent types

# Everything newest in its range, written down with its hash. The solver asks for pandas and works without.
lock: $(UV)
	$(COMPILE) --upgrade pyproject.toml -o requirements/base.txt
	$(COMPILE) --upgrade pyproject.toml requirements/dev.in -o requirements/dev.txt

# All of it in one file for who has neither make nor Node: pip or pipx installs it.
wheel: $(STAMPS)/dev frontend/dist/index.html
	@rm -f dist/*.whl
	$(PY) -m hatchling build -t wheel
	@ls dist/*.whl

# The wheel in an empty environment outside the checkout: installed, started, driven, killed, upgraded.
wheel-check: wheel chromium
	$(PY) -m bench.wheel

# What ships, and under which licence.
licences: $(STAMPS)/dev $(NODE)
	$(PY) -m bench.licences

clean:
	rm -rf $(VENV) frontend/node_modules frontend/dist

$(UV): requirements/bootstrap.txt
	@PYTHON="$(PYTHON)" VENV="$(VENV)" NODE="$(NODE)" sh bin/preflight
	@rm -rf $(VENV)
	@$(PYTHON) -m venv $(VENV) && \
		$(PY) -m pip install --quiet --require-hashes -r requirements/bootstrap.txt || { \
		rm -rf $(VENV); echo "Python's environment could not be made. See the lines above."; exit 1; }
	@touch $(UV)

$(STAMPS)/base: $(UV) requirements/base.txt
	$(UV) pip install --quiet --no-deps --require-hashes --compile-bytecode --python $(PY) -r requirements/base.txt
	@mkdir -p $(STAMPS) && touch $@

$(STAMPS)/dev: $(UV) requirements/dev.txt
	$(UV) pip install --quiet --no-deps --require-hashes --compile-bytecode --python $(PY) -r requirements/dev.txt
	@mkdir -p $(STAMPS) && touch $@ $(STAMPS)/base

$(NODE): frontend/package-lock.json
	cd frontend && npm ci --silent
	@touch $@

frontend/dist/index.html: $(STAMPS)/base $(NODE) $(FRONT_SOURCES)
	cd frontend && npm run --silent bundle
	@$(PY) -m whitenoise.compress --quiet frontend/dist
	@touch $@

.PHONY: fetched
fetched:
	@$(MAKE) --no-print-directory --silent -j 2 $(STAMPS)/dev $(NODE)

.PHONY: chromium
chromium:
	@command -v chromium-headless-shell >/dev/null || { \
		sudo=$$(test "$$(id -u)" = 0 || echo sudo); \
		$$sudo apt-get update -qq && $$sudo apt-get install -y -qq chromium-headless-shell; }
