"""Running the command line in a test."""

import json

import pytest

from photometra.cli import main


@pytest.fixture
def run(capsys):
    """Run a command: (exit code, standard output, standard error)."""

    def call(*words):
        code = main([str(w) for w in words])
        out = capsys.readouterr()
        return code, out.out, out.err

    return call


@pytest.fixture
def run_json(run):
    """Run a command with --json: (exit code, the one object on standard output)."""

    def call(*words):
        code, out, _ = run(*words, "--json")
        assert out.count("\n") == 1
        return code, json.loads(out)

    return call
