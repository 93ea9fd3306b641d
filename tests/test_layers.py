"""The house's order: what each file may import, and that slow libraries stay off the start-up path."""

import ast
import subprocess
import sys
from pathlib import Path

import photometra

_ROOT = Path(photometra.__file__).parent


def imports(path):
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.Import):
            yield from (a.name for a in node.names)
        elif isinstance(node, ast.ImportFrom) and not node.level:
            yield node.module


def test_qt_is_imported_under_desktop_only():
    for path in _ROOT.rglob("*.py"):
        if "desktop" not in path.relative_to(_ROOT).parts:
            assert not any(m.startswith(("PyQt", "pyqtgraph")) for m in imports(path)), path


def test_files_stay_short_and_are_no_catch_alls():
    for path in _ROOT.rglob("*.py"):
        assert len(path.read_text().splitlines()) <= 520, path
        assert path.stem not in ("utils", "helpers", "misc", "common"), path


def test_the_window_starts_without_the_slow_libraries():
    code = (
        "import sys, photometra.desktop.main_window;"
        "slow = {'scipy.optimize', 'pydantic', 'MaterialX', 'OpenImageIO', 'PyOpenColorIO', 'typer', 'rich', 'colour'};"
        "print(*sorted(slow & set(sys.modules)))"
    )
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert done.stdout.split() == []
