"""What all tests share: a home of their own, a screen where there is none, and the demo study."""

import hashlib
import os
import tempfile
from datetime import date

# Set before anything asks for them. The kernels' cache stays where it is: it is what makes the tests quick.
_home = tempfile.mkdtemp(prefix="photometra-tests-")
os.environ["XDG_STATE_HOME"] = f"{_home}/state"
os.environ["XDG_CONFIG_HOME"] = f"{_home}/config"
os.environ["XDG_DATA_HOME"] = f"{_home}/data"
os.environ.pop("OCIO", None)
# Tests run side by side, one on each core; each keeps to its own.
os.environ.setdefault("PHOTOMETRA_THREADS", "1")
if not os.environ.get("DISPLAY"):
    os.environ["QT_QPA_PLATFORM"] = "offscreen"

import pytest
from hypothesis import HealthCheck, settings

from photometra.demo import make_study

settings.register_profile(
    "photometra", deadline=None, max_examples=60, suppress_health_check=[HealthCheck.function_scoped_fixture]
)
# The same examples in every run that decides about a change; `make test-long` looks for new ones.
settings.register_profile("the same", settings.get_profile("photometra"), derandomize=True)
settings.load_profile("the same")


_SAMPLED = 6
"""Of the long tests one in so many runs on a day, all of them within about as many."""


def pytest_addoption(parser):
    parser.addoption(
        "--long", choices=("none", "sample", "all"), default="none",
        help="tests that take long: none of them, those whose turn it is today, or all",
    )  # fmt: skip


def pytest_configure(config):
    # Before any test is imported: settings of its own take the rest from here.
    if config.getoption("--long") == "all":
        settings.load_profile("photometra")


def pytest_collection_modifyitems(config, items):
    wanted = config.getoption("--long")
    if wanted == "all":
        return

    def runs(item):
        if item.get_closest_marker("long") is None:
            return True
        turn = int(hashlib.sha256(item.nodeid.encode()).hexdigest(), 16) % _SAMPLED
        return wanted == "sample" and turn == date.today().toordinal() % _SAMPLED

    left_out = [i for i in items if not runs(i)]
    config.hook.pytest_deselected(items=left_out)
    items[:] = [i for i in items if runs(i)]


@pytest.fixture(scope="session")
def demo():
    """The demo study; studies are immutable, so all tests may share it."""
    return make_study()


@pytest.fixture(scope="session")
def demo_file(demo, tmp_path_factory):
    """The demo study in a file that tests only read."""
    from photometra.study import write_file

    path = tmp_path_factory.mktemp("demo") / "Harrow Skerry.photometra"
    write_file(demo, path)
    return path


@pytest.fixture
def own_demo(demo_file, tmp_path):
    """A copy of the demo file to change."""
    path = tmp_path / "own.photometra"
    path.write_bytes(demo_file.read_bytes())
    return path


@pytest.fixture
def own_indexes(tmp_path, monkeypatch):
    """Indexes of libraries in the test's own folder, not in the person's cache."""
    from photometra.library import folder

    monkeypatch.setattr(folder, "_index_path", lambda at: tmp_path / "indexes" / f"{abs(hash(str(at)))}.sqlite")
