#!/usr/bin/env bash
# Makes everything ready to run and to test: system libraries, the virtual environment, warm kernels.
# Says what it does; a second run finds all done and takes a second or two.
set -euo pipefail
cd "$(dirname "$0")/.."

say() { printf 'set-up: %s\n' "$*"; }

PYTHON=""
for candidate in python3 python3.13 python3.12 python3.11; do
    if command -v "$candidate" >/dev/null && "$candidate" -c 'import sys; sys.exit(sys.version_info < (3, 11))'; then
        PYTHON=$candidate
        break
    fi
done
if [ -z "$PYTHON" ]; then
    say "Python 3.11 or newer is needed; install python3 and python3-venv" >&2
    exit 2
fi

# What Qt needs for a real X window, and a screen for tests.
missing=()
if command -v dpkg-query >/dev/null; then
    for package in libegl1 libgl1 libdbus-1-3 libfontconfig1 libxkbcommon-x11-0 libxcb-cursor0 libxcb-icccm4 \
        libxcb-image0 libxcb-keysyms1 libxcb-randr0 libxcb-render-util0 libxcb-shape0 libxcb-xinerama0 libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0 xvfb; do
        dpkg-query -W -f '${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
    done
    if ! "$PYTHON" -c 'import ensurepip, venv' 2>/dev/null; then missing+=("python3-venv"); fi
fi
if [ "${#missing[@]}" -gt 0 ]; then
    if [ "$(id -u)" -ne 0 ]; then
        say "system libraries are missing; run: sudo apt-get install ${missing[*]}" >&2
        exit 2
    fi
    say "installing system libraries: ${missing[*]}"
    apt-get update -qq
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
fi

# An environment that was begun and not finished, or made in another folder, is of no use: it is made anew.
home=.venv/made-in
if [ -e .venv ] && { [ "$(cat "$home" 2>/dev/null || true)" != "$PWD" ] || ! .venv/bin/python -m pip --version >/dev/null 2>&1; }; then
    say "the virtual environment is of another folder, or was not finished; making it anew"
    rm -rf .venv
fi
if [ ! -e .venv ]; then
    say "making the virtual environment"
    "$PYTHON" -m venv .venv
    printf '%s' "$PWD" > "$home"
fi
stamp=.venv/installed-from
wanted=$(sha256sum pyproject.toml | cut -d' ' -f1)
if [ "$(cat "$stamp" 2>/dev/null || true)" != "$wanted" ]; then
    say "installing Python packages (a few minutes the first time)"
    .venv/bin/python -m pip install --quiet --disable-pip-version-check -e '.[dev]'
    printf '%s' "$wanted" > "$stamp"
fi

say "compiling the kernels (one to three minutes the first time)"
.venv/bin/python -m photometra.tracing.warm
say "ready"
