"""What all tests share: a home of their own, a screen where there is none, and the demo study."""

import os
import tempfile

# Set before anything asks for them. The kernels' cache stays where it is: it is what makes the tests quick.
_home = tempfile.mkdtemp(prefix="photometra-tests-")
os.environ["XDG_STATE_HOME"] = f"{_home}/state"
os.environ["XDG_CONFIG_HOME"] = f"{_home}/config"
os.environ.pop("OCIO", None)
if not os.environ.get("DISPLAY"):
    os.environ["QT_QPA_PLATFORM"] = "offscreen"

import pytest
from hypothesis import HealthCheck, settings

from photometra.demo import make_study

settings.register_profile(
    "photometra", deadline=None, max_examples=60, suppress_health_check=[HealthCheck.function_scoped_fixture]
)
settings.load_profile("photometra")


@pytest.fixture(scope="session")
def demo():
    """The demo study; studies are immutable, so all tests may share it."""
    return make_study()


@pytest.fixture(scope="session")
def demo_file(tmp_path_factory):
    """The demo study in a file that tests only read."""
    from photometra.study import write_file

    path = tmp_path_factory.mktemp("demo") / "Harrow Skerry.photometra"
    write_file(make_study(), path)
    return path


@pytest.fixture
def own_demo(demo_file, tmp_path):
    """A copy of the demo file to change."""
    path = tmp_path / "own.photometra"
    path.write_bytes(demo_file.read_bytes())
    return path
