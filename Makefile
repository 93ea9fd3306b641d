.PHONY: setup demo test test-long lint bench screenshots docs

# Each target does all its own set-up.
setup:
	@tools/setup.sh

# Opens the window on a fresh copy of the Harrow Skerry study.
demo: setup
	@echo "demo: making a fresh Harrow Skerry study and opening it"
	@.venv/bin/photometra demo

# All but the long tests, side by side on the cores. Without a screen the window is driven on Qt's offscreen one.
PYTEST = .venv/bin/python -m pytest -n auto --dist loadfile

test: setup
	@echo "test: running the tests (make test-long runs the long ones too)"
	@$(PYTEST) $(TESTS)

# Every test there is; about three times as long.
test-long: setup
	@echo "test-long: running every test"
	@$(PYTEST) --long=all

lint: setup
	@.venv/bin/ruff check .
	@.venv/bin/ruff format --check .
	@.venv/bin/lint-imports

# The guide as a site, in build/guide.
docs: setup
	@.venv/bin/python tools/make_docs.py

bench: setup
	@.venv/bin/python -m benchmarks

# Takes the pictures in docs/screenshots anew, on a virtual screen.
screenshots: setup
	@xvfb-run -a -s "-screen 0 1400x1000x24" .venv/bin/python tools/take_screenshots.py
