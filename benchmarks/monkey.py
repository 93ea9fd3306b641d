"""Random clicks, drags, keys, wheel turns and menu entries in the real window: nothing may fail, nothing may stall.

python -m benchmarks monkey            20 000 events, some of them in an empty study
python -m benchmarks.monkey SEED N     N events of one seed, with what failed and where it stalled
"""

import random
import sys
import threading
import time
import traceback
import warnings
from dataclasses import dataclass, field

from .figures import Figure, environment
from .stalls import standing

STALL_S = 1.0
_EVENTS, _RUNS = 20_000, 8
_NOT_PRESSED = ("Quit", "Open…", "Open recent")
"""Entries that would end the run, or leave the study under test."""
_TYPED = ("0.3", "gloss 0.7", "12", "1e9", "-4", "#ff8040", "abc", "<b>x</b>", "0.2,0.4,0.6", "380 um", "[/b]", "")


@dataclass
class Outcome:
    """What came of a run: errors and warnings as text, and the longest time one event kept the window."""

    events: int = 0
    errors: list[str] = field(default_factory=list)
    longest: float = 0.0
    stalls: list[str] = field(default_factory=list)


class Monkey:
    """Works one window by chance, always the same for the same seed (but for what runs in the background)."""

    def __init__(self, window, seed):
        self.window, self.chance = window, random.Random(seed)
        self.outcome = Outcome()
        self._began = None
        self._doing = ""
        self._is_over = False

    def run(self, count, seconds=1e9):
        """`count` events, or as many as there is time for; the Outcome."""
        from PyQt6.QtCore import QTimer
        from PyQt6.QtWidgets import QInputDialog

        hook, show = sys.excepthook, warnings.showwarning
        sys.excepthook = self._failed
        warnings.showwarning = lambda message, kind, *where: self.outcome.errors.append(
            f"{kind.__name__}: {message} ({where[0]}:{where[1]}) after {self._doing}"
        )
        asked = QInputDialog.getText, QInputDialog.getDouble
        QInputDialog.getText = lambda *_a, **_k: (self.chance.choice(("Cup", "<i>", "[/b]", "")), True)
        QInputDialog.getDouble = lambda *_a, **_k: (self.chance.choice((0.1, 3.0, 10_000.0)), True)
        QTimer.singleShot(25, self._answer)
        watch = threading.Thread(target=self._watch, daemon=True)
        watch.start()
        end = time.monotonic() + seconds
        try:
            with _without_file_dialogs(), warnings.catch_warnings():
                warnings.simplefilter("always", RuntimeWarning)
                while self.outcome.events < count and time.monotonic() < end:
                    self._one()
        finally:
            self._is_over = True
            watch.join()
            sys.excepthook, warnings.showwarning = hook, show
            QInputDialog.getText, QInputDialog.getDouble = asked
        return self.outcome

    def _failed(self, kind, error, trace):
        told = "".join(traceback.format_exception(kind, error, trace)[-3:])
        self.outcome.errors.append(f"{told} after {self._doing}")

    def _watch(self):
        """Note where the window's thread stands when one event takes too long."""
        told = None
        while not self._is_over:
            time.sleep(0.05)
            began = self._began
            if began is not None and began != told and time.perf_counter() - began > STALL_S:
                told = began
                self.outcome.stalls.append(f"{self._doing}:\n{''.join(standing()[:4])}")

    def _one(self):
        from PyQt6.QtWidgets import QApplication

        act = self.chance.choices(
            (
                self._click,
                self._drag,
                self._key,
                self._wheel,
                self._menu,
                self._action,
                self._type,
                self._undo,
                self._sheet,
            ),
            (34, 12, 20, 8, 6, 2, 6, 8, 4),
        )[0]
        self._doing = act.__name__
        self._began = start = time.perf_counter()
        try:
            act()
            QApplication.processEvents()
        except Exception as error:
            self._failed(type(error), error, error.__traceback__)
        self._began = None
        self.outcome.longest = max(self.outcome.longest, time.perf_counter() - start)
        self.outcome.events += 1
        if self.chance.random() < 0.02:
            # Now and then a person looks, and work in the background comes to an end.
            end = time.monotonic() + self.chance.uniform(0.0, 0.4)
            while time.monotonic() < end:
                QApplication.processEvents()
                time.sleep(0.005)

    def _place(self):
        """A visible widget and a point of it, wherever a mouse could be."""
        from PyQt6.QtCore import QPoint
        from PyQt6.QtWidgets import QApplication, QFileDialog

        tops = [w for w in QApplication.topLevelWidgets() if w.isVisible() and not isinstance(w, QFileDialog)]
        top = QApplication.activeModalWidget() or self.chance.choice(tops or [self.window])
        at = QPoint(self.chance.randrange(max(1, top.width())), self.chance.randrange(max(1, top.height())))
        widget = top.childAt(at) or top
        self._doing += f" {type(widget).__name__} '{widget.accessibleName() or widget.objectName()}'"
        return widget, widget.mapFrom(top, at) if widget is not top else at

    def _modifier(self):
        from PyQt6.QtCore import Qt

        m = Qt.KeyboardModifier
        return self.chance.choices((m.NoModifier, m.ShiftModifier, m.ControlModifier), (8, 1, 1))[0]

    def _click(self):
        from PyQt6.QtCore import Qt
        from PyQt6.QtTest import QTest

        widget, at = self._place()
        b = Qt.MouseButton
        button = self.chance.choices((b.LeftButton, b.RightButton, b.MiddleButton), (8, 2, 1))[0]
        press = QTest.mouseDClick if self.chance.random() < 0.1 else QTest.mouseClick
        press(widget, button, self._modifier(), at)

    def _drag(self):
        from PyQt6.QtCore import QPoint, Qt
        from PyQt6.QtTest import QTest

        widget, at = self._place()
        b = Qt.MouseButton
        button = self.chance.choices((b.LeftButton, b.RightButton, b.MiddleButton), (8, 3, 1))[0]
        QTest.mousePress(widget, button, self._modifier(), at)
        for _ in range(self.chance.randrange(1, 5)):
            at = QPoint(at.x() + self.chance.randrange(-80, 81), at.y() + self.chance.randrange(-60, 61))
            QTest.mouseMove(widget, at)
        QTest.mouseRelease(widget, button, Qt.KeyboardModifier.NoModifier, at)

    def _key(self):
        from PyQt6.QtCore import Qt
        from PyQt6.QtTest import QTest
        from PyQt6.QtWidgets import QApplication

        k = Qt.Key
        keys = (
            k.Key_Tab, k.Key_Backtab, k.Key_Left, k.Key_Right, k.Key_Up, k.Key_Down, k.Key_Return, k.Key_Escape,
            k.Key_Space, k.Key_Home, k.Key_End, k.Key_PageUp, k.Key_Delete, k.Key_B, k.Key_C, k.Key_L, k.Key_1,
            k.Key_5, k.Key_Period, k.Key_F2,
        )  # fmt: skip
        key = self.chance.choice(keys)
        widget = QApplication.focusWidget() or self.window
        self._doing += f" {key.name} in {type(widget).__name__} '{widget.accessibleName()}'"
        QTest.keyClick(widget, key, self._modifier())

    def _type(self):
        from PyQt6.QtCore import Qt
        from PyQt6.QtTest import QTest
        from PyQt6.QtWidgets import QApplication

        widget, text = QApplication.focusWidget() or self.window, self.chance.choice(_TYPED)
        self._doing += f" '{text}' in {type(widget).__name__} '{widget.accessibleName()}'"
        QTest.keyClicks(widget, text)
        QTest.keyClick(QApplication.focusWidget() or self.window, Qt.Key.Key_Return)

    def _wheel(self):
        from PyQt6.QtCore import QPoint, QPointF, Qt
        from PyQt6.QtGui import QWheelEvent
        from PyQt6.QtWidgets import QApplication

        widget, at = self._place()
        turn = QPoint(0, self.chance.choice((-360, -120, 120, 360)))
        where = QPointF(at)
        event = QWheelEvent(
            where, QPointF(widget.mapToGlobal(at)), QPoint(), turn, Qt.MouseButton.NoButton, self._modifier(),
            Qt.ScrollPhase.NoScrollPhase, False,
        )  # fmt: skip
        QApplication.sendEvent(widget, event)

    def _action(self):
        """Whatever act there is anywhere in the window, as if its key were pressed."""
        from PyQt6.QtGui import QAction

        there = [a for a in self.window.findChildren(QAction) if a.isEnabled() and a.menu() is None]
        action = self.chance.choice([a for a in there if a.text().replace("&", "") not in _NOT_PRESSED])
        self._doing += f" {action.text()}"
        action.trigger()

    def _entries(self, menu):
        for action in menu.actions():
            if action.menu() is not None:
                yield from self._entries(action.menu())
            elif action.isEnabled() and not action.isSeparator():
                yield action

    def _menu(self):
        actions = [a for m in self.window.menuBar().actions() for a in self._entries(m.menu())]
        action = self.chance.choice([a for a in actions if a.text().replace("&", "") not in _NOT_PRESSED])
        self._doing += f" {action.text()}"
        action.trigger()

    def _undo(self):
        history = self.window.session.history
        self.chance.choice((history.undo, history.undo, history.redo))()

    def _sheet(self):
        self._doing += " a sheet"
        self.window.toggle_sheet(self.chance.choice(list(self.window.sheets)))

    def _answer(self):
        """Press something in whatever stands in the way: a question, or a menu that opened."""
        from PyQt6.QtCore import Qt, QTimer
        from PyQt6.QtTest import QTest
        from PyQt6.QtWidgets import QApplication, QMessageBox

        if self._is_over:
            return
        # One shot after another: a timer stands still while what it set off is open, as a box that a menu brings up.
        QTimer.singleShot(25, self._answer)
        self._began = time.perf_counter() if self._began is not None else None
        popup = QApplication.activePopupWidget()
        if popup is not None:
            for _ in range(self.chance.randrange(3)):
                QTest.keyClick(popup, Qt.Key.Key_Down)
            QTest.keyClick(popup, self.chance.choice((Qt.Key.Key_Escape, Qt.Key.Key_Return)))
            if QApplication.activePopupWidget() is popup:
                popup.close()
            return
        box = QApplication.activeModalWidget()
        if isinstance(box, QMessageBox):
            self.chance.choice(box.buttons()).click()
        elif box is not None and self.chance.random() < 0.3:
            QTest.keyClick(box, Qt.Key.Key_Escape)


class _without_file_dialogs:
    """File dialogs cannot be clicked from outside: they give nothing."""

    def __enter__(self):
        from PyQt6.QtWidgets import QFileDialog

        self._kept = QFileDialog.getOpenFileName, QFileDialog.getSaveFileName
        QFileDialog.getOpenFileName = QFileDialog.getSaveFileName = staticmethod(lambda *_a, **_k: ("", ""))

    def __exit__(self, *_):
        from PyQt6.QtWidgets import QFileDialog

        QFileDialog.getOpenFileName, QFileDialog.getSaveFileName = map(staticmethod, self._kept)


def worked(seed, count, folder):
    """The Outcome of one run in a window of its own: odd seeds begin in the demo, even ones in an empty study."""
    from PyQt6.QtCore import QSettings, qInstallMessageHandler

    from photometra.demo import make_study
    from photometra.desktop import app, theme

    # Offscreen, Qt tells at length of what that screen cannot do.
    qInstallMessageHandler(lambda *_: None)
    application = app.make_application()
    theme.apply(application, "dim")
    from photometra.desktop.main_window import MainWindow

    window = MainWindow(QSettings(f"{folder}/monkey.ini", QSettings.Format.IniFormat))
    window.show()
    if seed % 2:
        window.session.open(make_study())
    monkey = Monkey(window, seed)
    # Closing from a menu would end the run; the window stays.
    window.closeEvent, close = (lambda event: event.ignore()), window.closeEvent
    outcome = monkey.run(count)
    window.closeEvent = close
    window.session.history.mark_saved()
    window.close()
    return outcome


def run():
    """Each run in a process of its own, with a state folder of its own."""
    import os
    import subprocess
    import tempfile

    events = errors = stalls = 0
    longest = 0.0
    for seed in range(1, _RUNS + 1):
        with tempfile.TemporaryDirectory() as folder:
            told = {**environment(), "XDG_STATE_HOME": folder, "XDG_CONFIG_HOME": folder}
            done = subprocess.run(
                [sys.executable, "-m", "benchmarks.monkey", str(seed), str(_EVENTS // _RUNS)],
                capture_output=True, text=True, env=told, cwd=os.getcwd(),
            )  # fmt: skip
        if done.returncode or not done.stdout.strip():
            errors += 1
            print(f"seed {seed} ended with {done.returncode}:\n{done.stderr[-3000:]}", file=sys.stderr)
            continue
        print(done.stderr, file=sys.stderr, end="")
        n, bad, slow, most = done.stdout.split()[-4:]
        events, errors, stalls = events + int(n), errors + int(bad), stalls + int(slow)
        longest = max(longest, float(most))
    yield Figure("random events in the window", events, "", _EVENTS, more_is_better=True)
    yield Figure("exceptions and warnings among them", errors, "", 0.0)
    yield Figure("events that kept the window above 1 s", stalls, "", 0.0)
    yield Figure("longest time one event kept the window", longest, "s", STALL_S)


def _main():
    import tempfile

    seed, count = int(sys.argv[1]), int(sys.argv[2])
    with tempfile.TemporaryDirectory() as folder:
        outcome = worked(seed, count, folder)
    for what, entries in (("failed", outcome.errors), ("stalled", outcome.stalls)):
        for entry in dict.fromkeys(entries):
            print(f"seed {seed} {what}: {entry}", file=sys.stderr)
    print(outcome.events, len(outcome.errors), len(outcome.stalls), outcome.longest, flush=True)


if __name__ == "__main__":
    _main()
