"""A document in work: the present study, what can be undone, and who wants to know of changes."""

from collections.abc import Callable
from dataclasses import dataclass

from .model import Study

_MOST_STEPS = 500


@dataclass(frozen=True)
class _Step:
    label: str
    study: Study
    key: object


class History:
    """The present `study`, with undo and redo. Studies are immutable, so a step keeps the whole of one.

    Listeners are called with no argument after each change of the present study.
    """

    def __init__(self, study: Study):
        self.study = study
        self._saved = study
        self._before: list[_Step] = []
        self._after: list[_Step] = []
        self._merging: object = None
        self._listeners: list[Callable[[], None]] = []

    def listen(self, listener):
        self._listeners.append(listener)

    def apply(self, study: Study, label, key=None):
        """Make `study` the present one. Steps in a row with one `key` (a drag) are undone together."""
        if study == self.study:
            return
        if key is None or key != self._merging:
            self._before.append(_Step(label, self.study, key))
            del self._before[:-_MOST_STEPS]
        self._merging = key
        self._after.clear()
        self._become(study)

    def settle(self):
        """End a run of merged steps: the next one is undone by itself."""
        self._merging = None

    def undo(self):
        self._swap(self._before, self._after)

    def redo(self):
        self._swap(self._after, self._before)

    def _swap(self, source, target):
        if not source:
            return
        step = source.pop()
        target.append(_Step(step.label, self.study, None))
        self._merging = None
        self._become(step.study)

    def _become(self, study):
        self.study = study
        for listener in self._listeners:
            listener()

    @property
    def undo_label(self):
        return self._before[-1].label if self._before else ""

    @property
    def redo_label(self):
        return self._after[-1].label if self._after else ""

    @property
    def is_saved(self):
        return self.study == self._saved

    def mark_saved(self, study=None):
        """Note that `study` (the present one) stands in its file."""
        self._saved = study or self.study
        for listener in self._listeners:
            listener()

    def mark_unsaved(self):
        """Note that the present study stands in no file: it came from a journal."""
        self._saved = Study()
