"""How far a picture is, in a terminal and elsewhere."""

import io
import sys
from types import SimpleNamespace

import pytest

from photometra.cli.progress import noise_told, share_done, watched


def picture(samples=8, seconds=2.0, noise=0.08):
    return SimpleNamespace(samples=samples, seconds=seconds, noise=lambda: noise)


def test_the_share_is_of_samples_of_time_or_of_what_the_noise_asks_for():
    assert share_done(picture(), samples=32) == 0.25 and share_done(picture(), seconds=8.0) == 0.25
    # Half the noise takes four times the samples.
    assert share_done(picture(noise=0.02), noise=0.01) == pytest.approx(0.25)
    assert (
        share_done(picture(noise=float("inf")), noise=0.01) == 0.0
        and share_done(picture(noise=0.001), noise=0.01) == 1.0
    )
    assert share_done(picture(samples=99), samples=32) == 1.0 and share_done(picture()) == 0.0
    assert noise_told(picture(noise=float("inf"))) == "noise not known yet"


def test_in_a_terminal_a_line_moves_and_nothing_in_it_is_obeyed(monkeypatch):
    class Terminal(io.StringIO):
        def isatty(self):
            return True

    screen = Terminal()
    monkeypatch.setattr(sys, "stderr", screen)
    monkeypatch.setenv("TERM", "xterm")
    with watched("Plate [bold]\x1b[31m", samples=32) as report:
        report(picture())
    told = screen.getvalue()
    assert "8 samples, noise 8.00 %" in told and "[bold]" in told and "\x1b[31m" not in told


def test_elsewhere_it_says_so_now_and_then(monkeypatch, capsys):
    monkeypatch.setattr("photometra.cli.progress._EVERY_S", 0.0)
    with watched("Plate", samples=32) as report:
        report(picture())
    assert capsys.readouterr().err == "8 samples, noise 8.00 %\n"
