.PHONY: setup demo test lint bench screenshots

# Each target does all its own set-up.
setup:
	@tools/setup.sh

# Opens the window on a fresh copy of the Harrow Skerry study.
demo: setup
	@echo "demo: making a fresh Harrow Skerry study and opening it"
	@.venv/bin/photometra demo

# Everything, the long tests too. Without a screen the window is driven on Qt's offscreen one.
test: setup
	@echo "test: running every test"
	@.venv/bin/python -m pytest

lint: setup
	@.venv/bin/ruff check .
	@.venv/bin/ruff format --check .
	@.venv/bin/lint-imports

bench: setup
	@.venv/bin/python -m benchmarks

# Takes the pictures in docs/screenshots anew, on a virtual screen.
screenshots: setup
	@xvfb-run -a -s "-screen 0 1400x1000x24" .venv/bin/python tools/take_screenshots.py
