"""Rendering under chance changes for a long time: memory, threads and open files must not grow.

python -m benchmarks endurance                 twenty minutes
python -m benchmarks.endurance FOLDER SECONDS  so many seconds
"""

import os
import random
import sys
import time

from .figures import Figure, told_by

_SECONDS = 1200.0
_SETTLED = 0.3
"""The share of the time after which everything has been made once that is kept."""


def _now():
    """(resident memory in MB, threads, open files) of this process."""
    with open("/proc/self/status", encoding="ascii") as status:
        told = dict(line.split(":", 1) for line in status)
    memory, threads = int(told["VmRSS"].split()[0]) / 1024.0, int(told["Threads"])
    return memory, threads, len(os.listdir("/proc/self/fd"))


def worked(folder, seconds, seed=3):
    """[(seconds, MB, threads, files)] every few seconds, of a window on the demo under chance changes."""
    from PyQt6.QtCore import QSettings
    from PyQt6.QtTest import QTest

    from photometra.demo import make_study
    from photometra.desktop import app, theme
    from photometra.surface import PARAMETERS

    application = app.make_application()
    theme.apply(application, "dim")
    from photometra.desktop.main_window import MainWindow

    window = MainWindow(QSettings(f"{folder}/endurance.ini", QSettings.Format.IniFormat))
    window.show()
    window.session.open(make_study())
    chance, session = random.Random(seed), window.session
    numbers = [p for p in PARAMETERS.values() if p.kind == "number" and p.solvable]
    began, out, told = time.monotonic(), [], 0.0
    while (at := time.monotonic() - began) < seconds:
        act = chance.randrange(6)
        if act == 0:
            session.choose(chance.randrange(len(session.study.specimens)))
        elif act == 1:
            session.set_booth("turn", turn=chance.uniform(-180.0, 180.0))
        elif act == 2:
            (session.history.undo if chance.random() < 0.7 else session.history.redo)()
        else:
            p = chance.choice([p for p in numbers if session.specimen.surface.applies(p.name)])
            if session.specimen.leader_in(p.stratum) is None:
                low, high = p.span
                session.set_values({p.name: low + (high - low) * chance.random()})
                session.settle()
        QTest.qWait(chance.choice((20, 80, 400, 1500)))
        if at - told > seconds / 60.0:
            told = at
            out.append((at, *_now()))
    session.history.mark_saved()
    window.close()
    return out


def run():
    rows = [tuple(map(float, line.split())) for line in told_by("benchmarks.endurance", _SECONDS)]
    early = [r for r in rows if r[0] >= _SETTLED * _SECONDS]
    third = max(1, len(early) // 3)
    names = (("memory", 1, 60.0, "MB"), ("threads", 2, 1.0, ""), ("open files", 3, 2.0, ""))
    for name, i, most, unit in names:
        first, last = (sum(r[i] for r in part) / len(part) for part in (early[:third], early[-third:]))
        yield Figure(
            f"growth of {name} over {_SECONDS / 60:.0f} minutes, from {first:.0f}", max(0.0, last - first), unit, most
        )


if __name__ == "__main__":
    for row in worked(sys.argv[1], float(sys.argv[2])):
        print(*(f"{v:.1f}" for v in row))
