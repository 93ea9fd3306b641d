"""What the machine does to a command: no screen, a pipe that closes, a colour configuration that is not there."""

import os
import subprocess
import sys

import pytest


def photometra(*words, **environment):
    """A command in a program of its own: (exit code, standard output, standard error)."""
    env = {k: v for k, v in os.environ.items() if k not in ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM", "OCIO")}
    done = subprocess.run(
        [sys.executable, "-m", "photometra", *map(str, words)],
        capture_output=True,
        text=True,
        env={**env, **environment},
    )
    return done.returncode, done.stdout, done.stderr


@pytest.mark.parametrize("environment", [{}, {"DISPLAY": ":4077"}, {"WAYLAND_DISPLAY": "none"}])
def test_without_a_screen_there_is_one_sentence(demo_file, environment):
    # Both ways in, one after the other as they take a second.
    words = (demo_file,) if environment else ("demo",)
    code, out, told = photometra(*words, **environment)
    assert code == 2 and out == "" and told.count("\n") == 1 and "screen" in told


def test_a_reader_that_has_had_enough_ends_it_quietly(demo_file):
    command = f"{sys.executable} -m photometra show '{demo_file}' | head -1; echo ${{PIPESTATUS[0]}}"
    done = subprocess.run(["bash", "-c", command], capture_output=True, text=True)
    assert done.stdout.splitlines()[0].startswith("Brass lamp bracket") and done.stdout.splitlines()[-1] == "0"
    assert done.stderr == ""


@pytest.mark.parametrize("content", [
    "ocio_profile_version: 2\nroles: {default: raw}\ndisplays: {}\n",
    *(pytest.param(content, marks=pytest.mark.long) for content in (None, "%")),
])  # fmt: skip
def test_a_colour_configuration_that_cannot_be_used_gives_way_before_rendering(demo_file, tmp_path, content):
    named = tmp_path / "colours.ocio"
    if content is not None:
        named.write_text(content)
    words = ("render", demo_file, "Brass lamp bracket", "-o", tmp_path / "a.png", "--size", "8x8", "--samples", "1")
    code, _, told = photometra(*words, OCIO=str(named))
    assert code == 0 and told.index("the built-in one is") < told.index("wrote")


def test_names_that_begin_with_a_dash_are_names(run, own_demo):
    assert run("add", own_demo, "--", "-dash")[0] == 0
    assert run("show", own_demo, "--", "-dash")[0] == 0
    assert run("rename", own_demo, "--", "-dash", "--size-mm")[0] == 0


@pytest.mark.parametrize(("typed", "mm"), [("0,5", 0.5), ("6 cm", 60.0), ("2m", 2000.0), ("1/2", None), ("", None)])
def test_a_size_may_be_typed_as_people_type_it(run, run_json, own_demo, typed, mm):
    code, _, told = run("add", own_demo, "Tin", "--size-mm", typed)
    assert (code == 0) == (mm is not None)
    if mm is None:
        assert "size" in told
    else:
        assert run_json("show", own_demo, "Tin")[1]["specimens"][0]["size_mm"] == mm
