# The one list of commands. `make run` and `make test` install what is missing.
PY := .venv/bin/python
RUN := .venv/bin/orthocline
export NUMBA_CACHE_DIR := $(CURDIR)/var/numba
# Several processes share the machine: each works its matrices on one thread, or they wait for each other.
export OPENBLAS_NUM_THREADS := 1
# What is compiled of a module is kept, whatever the machine says: each process would compile all of it anew.
unexport PYTHONDONTWRITEBYTECODE

.PHONY: run test setup check check-python check-browser format bench chaos fuzz load lists machines newer upgrades mutants screenshots assets calls structure sbom lock stop

run:
	@scripts/setup run
	@exec $(RUN) serve

# In the order of tests/conftest.py.
test:
	@scripts/setup test
	@$(PY) -m pytest -n 2 --dist loadfile --no-loadscope-reorder -q $(ARGS)

setup:
	@scripts/setup test

# What is Python's, and what the browser gets: two things at once with -j2.
check: check-python check-browser

check-python: setup
	@$(PY) -m ruff format --check .
	@$(PY) -m ruff check .
	@$(PY) -m mypy
	@.venv/bin/lint-imports

check-browser: setup
	@scripts/assets --check
	@$(PY) scripts/letter_widths.py --check

format: setup
	@$(PY) -m ruff format .
	@$(PY) -m ruff check --fix .

bench: setup
	@PYTHONPATH=. $(PY) benchmarks/bench.py

chaos: setup
	@$(PY) benchmarks/chaos.py
	@PYTHONPATH=. $(PY) benchmarks/phone.py

fuzz: setup
	@PYTHONPATH=. $(PY) benchmarks/api_cases.py
	@PYTHONPATH=. $(PY) benchmarks/form_cases.py
	@$(PY) benchmarks/parser_cases.py

# Golfers are played by an environment of its own, with a lock of its own.
load: setup
	@[ -x .venv-load/bin/python ] || python3 -m venv .venv-load
	@.venv/bin/uv pip install -q --python .venv-load/bin/python --require-hashes -r requirements-load.lock
	@PYTHONPATH=. $(PY) benchmarks/load.py

lists: setup
	@PYTHONPATH=. $(PY) benchmarks/lists.py

newer: setup
	@command -v debootstrap >/dev/null || apt-get install -y -qq debootstrap >/dev/null
	@$(PY) benchmarks/newer_postgres.py

upgrades: setup
	@$(PY) benchmarks/upgrades.py

machines: setup
	@$(PY) benchmarks/two_machines.py
	@PYTHONPATH=. $(PY) benchmarks/cluster.py

mutants: setup
	@$(PY) benchmarks/mutants.py

screenshots: setup
	@$(PY) scripts/screenshots.py

assets: setup
	@$(PY) scripts/icons.py
	@scripts/assets
	@$(PY) scripts/letter_widths.py

calls: setup
	@$(PY) scripts/draw_calls.py

structure: setup
	@$(PY) scripts/draw_structure.py

sbom: setup
	@$(PY) scripts/sbom.py

# For each Python from 3.11.0 up, whichever works them out.
LOCK := .venv/bin/uv pip compile -q pyproject.toml --universal --python-version 3.11 --generate-hashes \
	--no-emit-index-url --no-emit-find-links --no-header --extra build
lock: setup
	@$(LOCK) -o requirements.lock
	@$(LOCK) --extra dev -c requirements.lock -o requirements-dev.lock

stop:
	@if [ -x $(RUN) ]; then $(RUN) db stop; fi
