"""Opening, saving, autosave and recovery: everything between the session and the disk."""

from functools import partial
from pathlib import Path

from PyQt6.QtCore import QEventLoop, QSettings, QTimer, pyqtSignal
from PyQt6.QtWidgets import QFileDialog, QMessageBox

from ..errors import InputError
from ..study import SUFFIX, ChangedElsewhere, Claim, Journal, Study, read_stamped, rescues, save_stamped
from ..study.linked import missing_in
from ..surface.inputs import source_name
from ..words import tr
from .arriving import Arriving
from .session import Session
from .text import message
from .workers import Latest, LongJob

_FILTER = tr("Photometra study (*{0})", SUFFIX)
_AUTOSAVE_AFTER_MS, _AUTOSAVE_AT_LEAST_MS = 3000, 10_000
_MOST_RECENT = 8


class Files(Arriving):
    """Keeps a session's document on the disk. Dialogs belong to `window`."""

    recent_changed = pyqtSignal()
    opened = pyqtSignal()
    making = pyqtSignal(str)
    """A study is made before it is opened, in a sentence; "" once that is over."""

    def __init__(self, session: Session, settings: QSettings, window):
        super().__init__(session, settings, window)
        self._journal = Journal()
        self._claim = self._stamp = self._left = None
        self._reader = LongJob(self)
        self._reader.finished.connect(self._opened)
        self._reader.failed.connect(self.refuse)
        for over in (self._reader.finished, self._reader.failed):
            over.connect(lambda *_: self.making.emit(""))
        self._writer = Latest("saving", self)
        self._writer.done.connect(self._written)
        self._keeper = Latest("autosave", self)
        self._keeper.done.connect(self._kept)
        self._told_of_autosave = False
        self._idle = QTimer(self, singleShot=True, interval=_AUTOSAVE_AFTER_MS)
        self._idle.timeout.connect(self.autosave)
        self._overdue = QTimer(self, singleShot=True, interval=_AUTOSAVE_AT_LEAST_MS)
        self._overdue.timeout.connect(self.autosave)
        session.document_changed.connect(self._changed)
        self._waiting = self._waited_for = None
        self._is_let_go = False

    # Opening.

    def new(self):
        if self.may_leave():
            self._take(Study(), None)

    def choose_and_open(self):
        name, _ = QFileDialog.getOpenFileName(self.window, tr("Open a study"), self._folder(), _FILTER)
        if name:
            self.open(name)

    def open(self, path, make=None):
        """Open a study in a worker; the present one stays until the new one is whole. make(path): writes it first."""
        if not self.may_leave():
            return
        path, self._left = Path(path), self.session.study

        def read(_report, _cancel):
            if make is not None:
                make(path)
            return (*read_stamped(path), path)

        if self._reader.start(read):
            self.making.emit(tr("The study {0} is being made…", path.stem) if make else "")
        else:
            self.session.said.emit(tr("A study is being opened already; try again once it is there"))

    def _opened(self, found):
        study, stamp, path = found
        # Making one takes a while, in which work may have begun on what was there.
        if self.session.study is self._left or self.may_leave():
            self._take(study, path, stamp)

    def open_recovered(self, rescue):
        """Go on with what an ended program left behind; it is let go once our own journal has it."""
        study = rescue.study()
        self._take(study, rescue.path, unsaved=True, begin=partial(self._taken_over, study, rescue))

    def _taken_over(self, study, rescue):
        problem = self._journal.keep(study, rescue.path)
        if not problem:
            rescue.discard()
        return problem

    def _take(self, study, path, stamp=None, unsaved=False, begin=None):
        """Make a study the session's. stamp: of its file, where it was read from it; begin: done instead of clearing
        the journal: the study before is saved or let go, what was kept of it is no rescue any more."""
        self._release()
        self._stamp = stamp
        self._keeper.submit(begin or self._journal.clear)
        if path is not None:
            claim = Claim(path)
            if claim.holder() is not None:
                message(
                    self.window, QMessageBox.Icon.Information,
                    tr("{0} is open in another Photometra as well. Whichever saves second is asked before "
                       "it writes over the other's work.", Path(path).name),
                ).exec()  # fmt: skip
            claim.take()
            self._claim = claim
            self._remember(path)
        self.session.open(study, path, unsaved)
        self.opened.emit()
        missing = {source_name(source) for _, _, source in missing_in(study)}
        if missing:
            names = ", ".join(sorted(missing))
            self.session.said.emit(
                tr("Maps are without their pictures: {0}. Surface, Find missing map pictures…", names)
            )

    def rescued(self, path=None):
        """What ended programs left unsaved; with a path, only of that study."""
        found = rescues()
        return found if path is None else [r for r in found if r.path and r.path.resolve() == Path(path).resolve()]

    # Saving.

    def save(self):
        """Save in a worker; asks for a name where there is none yet."""
        if self.session.path is None:
            return self.save_as()
        self._write(self.session.path)
        return True

    def save_as(self, study=None):
        start = str(self.session.path or Path(self._folder()) / f"{self.session.study.name}{SUFFIX}")
        name, _ = QFileDialog.getSaveFileName(self.window, tr("Save the study"), start, _FILTER)
        if not name:
            return False
        path = Path(name)
        self._write(path if path.suffix == SUFFIX else path.with_name(path.name + SUFFIX), study, over=True)
        return True

    def _write(self, path, study=None, over=False):
        """Save in a worker. over: whatever has become of the file meanwhile."""
        path = Path(path)
        stamp = self._stamp if path == self.session.path and not over else None
        # A save waits for no picture.
        self._writer.submit(partial(_written_study, study or self.session.study, path, stamp), at_once=True)

    def _written(self, outcome):
        """Hear how a save ended. A newer one may be under way: whoever waits, waits for his own."""
        study, path, stamp, problem = outcome
        waits = self._waiting is not None and study is self._waited_for
        if isinstance(problem, ChangedElsewhere) and self._ask_of_changed(study, path, problem):
            return
        if waits:
            self._waiting.exit(1 if problem else 0)
        if problem:
            if not isinstance(problem, ChangedElsewhere):
                self.refuse(str(problem))
            return
        self._stamp = stamp
        if path != self.session.path:
            self._release()
            self._claim = Claim(path)
            self._claim.take()
            self.session.path = path
        self.session.history.mark_saved(study)
        if self.session.history.is_saved:
            self._idle.stop()
            self._keeper.submit(self._journal.clear)
        self._remember(path)
        self.session.said.emit(tr("Saved {0}", path.name))

    def _ask_of_changed(self, study, path, problem):
        """Ask what to do about a file that another program has changed; whether another save is under way."""
        box = message(
            self.window, QMessageBox.Icon.Warning, str(problem),
            tr("Saving over it loses that program's changes. Save under another name to keep both."),
        )  # fmt: skip
        other = box.addButton(tr("Save under another name…"), QMessageBox.ButtonRole.AcceptRole)
        over = box.addButton(tr("Save over it"), QMessageBox.ButtonRole.DestructiveRole)
        box.addButton(tr("Do not save"), QMessageBox.ButtonRole.RejectRole)
        box.setDefaultButton(other)
        box.exec()
        if box.clickedButton() is over:
            self._write(path, study, over=True)
            return True
        return box.clickedButton() is other and self.save_as(study)

    def may_leave(self):
        """Whether the present study may be let go: it is saved, or the person said so."""
        self._is_let_go = False
        if self.session.history.is_saved:
            return True
        box = message(
            self.window, QMessageBox.Icon.NoIcon, tr("Save the changes to {0}?", self.session.title.removesuffix(' *')),
            tr("What is not saved is lost."),
        )  # fmt: skip
        box.setStandardButtons(
            QMessageBox.StandardButton.Save | QMessageBox.StandardButton.Discard | QMessageBox.StandardButton.Cancel
        )
        answer = box.exec()
        if answer == QMessageBox.StandardButton.Discard:
            self._idle.stop()
            self._is_let_go = True
            return True
        if answer != QMessageBox.StandardButton.Save or not self.save():
            return False
        self._waiting, self._waited_for = QEventLoop(), self.session.study
        outcome = self._waiting.exec()
        self._waiting = self._waited_for = None
        return outcome == 0

    # Autosave.

    def _changed(self):
        """Keep what is not saved after a pause, and steady work every ten seconds at least."""
        if not self._overdue.isActive():
            self._overdue.start()
        self._idle.start()

    def autosave(self):
        """Keep the present state in the journal if it is not saved."""
        self._overdue.stop()
        if not self.session.history.is_saved:
            study, path = self.session.study, self.session.path
            # At once: steady work would otherwise always have something to be done before.
            self._keeper.submit(lambda: self._journal.keep(study, path), at_once=True)

    def _kept(self, problem):
        """Say that autosave fails: once, until it works again."""
        if problem and not self._told_of_autosave:
            self.session.said.emit(problem)
        self._told_of_autosave = bool(problem)

    # Remembering.

    @property
    def recent(self):
        return [p for p in self.settings.value("recent", [], list) if Path(p).exists()]

    def _remember(self, path):
        path = str(Path(path).resolve())
        kept = [path, *(p for p in self.recent if p != path)][:_MOST_RECENT]
        self.settings.setValue("recent", kept)
        self.recent_changed.emit()

    def _release(self):
        if self._claim is not None:
            self._claim.release()
            self._claim = None

    def end(self):
        self._idle.stop()
        self._overdue.stop()
        self._release()
        self._reader.end()
        self._end_fetching()
        self._writer.end()
        self._keeper.end()
        if self.session.history.is_saved or self._is_let_go:
            self._journal.clear()


def _written_study(study, path, stamp):
    """(study, path, the new file's stamp, None) or (study, path, None, why it could not be written)."""
    try:
        return study, path, save_stamped(study, path, stamp), None
    except (OSError, InputError) as error:
        return study, path, None, error
