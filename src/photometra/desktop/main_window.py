"""The main window: route above, ledger left, sight and chart in the middle, strata right, probe line below."""

from functools import partial
from pathlib import Path

from PyQt6.QtCore import QSettings, QTimer
from PyQt6.QtWidgets import (
    QApplication,
    QFrame,
    QMainWindow,
    QMessageBox,
    QVBoxLayout,
    QWidget,
)

from .. import __version__
from ..errors import InputError
from ..surface import PARAMETERS
from ..words import lowered, tr
from . import theme
from .acts import Acts
from .agreement_sheet import AgreementSheet
from .arrangement import Arrangement
from .booth_sheet import BoothSheet
from .chart import ReadingChart
from .commands import CommandSearch
from .constants_browser import ConstantsBrowser
from .conventions_sheet import ConventionsSheet
from .evidence_sheet import EvidenceSheet
from .files import Files
from .guide_sheet import GuideSheet
from .hand_over import HandOver
from .ladder_sheet import LadderSheet
from .language import LANGUAGES
from .ledger import Ledger
from .lesson import LessonBar
from .library_sheet import LibrarySheet
from .map_sheet import MapSheet
from .menus import Menus
from .parts_sheet import PartsSheet
from .photograph_sheet import PhotographSheet
from .picture import NEUTRAL, RENDERER, STUDY
from .pointing import PointingMode
from .probe_line import ProbeLine
from .proof_sheet import ProofSheet
from .queue_sheet import QueueSheet
from .reading_sheet import ReadingSheet
from .readying import Readying
from .route import AGREEMENT, FINISH, LAYERS, LIGHT, MATERIAL, SPECIMEN, Route
from .scrolling import ScrollingStack
from .session import Session
from .shelf_sheet import ShelfSheet
from .sight import Sight
from .solve_sheet import SolveSheet
from .strata_panel import StrataPanel
from .text import Label, message

_SAID_MS = 6000
_GAUGES = {MATERIAL: ("body", "metalness"), FINISH: ("finish", "roughness"), LAYERS: ("coat", "coat.amount")}
"""Steps of the route that are done at a gauge: its stratum, and its name."""


class MainWindow(QMainWindow):
    """Puts the views of one session together, and holds the menus."""

    def __init__(self, settings: QSettings | None = None):
        super().__init__()
        self.settings = settings or QSettings()
        self.session = Session(parent=self)
        self.files = Files(self.session, self.settings, self)
        self.route, self.lesson = Route(self.session), LessonBar(self)
        self.pointing = PointingMode(self)
        self.ledger = Ledger(self.session)
        self.sight = Sight(self.session)
        self.chart = ReadingChart(self.session)
        self.solve_sheet = SolveSheet(self.session)
        self.booth_sheet = BoothSheet(self.session)
        self.map_sheet = MapSheet(self.session, self.sight.surveyor)
        self.parts_sheet = PartsSheet(self.session, self.sight.surveyor)
        self.sheets = {
            "agreement": AgreementSheet(self.session),
            "evidence": EvidenceSheet(self.session),
            "shelf": ShelfSheet(self.session),
            "reading": ReadingSheet(self.session),
            "proofs": ProofSheet(self.session),
            "photograph": PhotographSheet(self.session),
            "ladder": LadderSheet(self.session),
            "library": LibrarySheet(self.session, self.settings),
            "conventions": ConventionsSheet(self.session),
            "guide": GuideSheet(),
            "queue": QueueSheet(self.session),
        }
        self.strata = StrataPanel(self.session)
        self.probe_line = ProbeLine(self.session)
        self.acts = Acts(self)
        self.browser = None
        self.hand_over = None
        self.readying = Readying(self)
        self._lay_out()
        self._connect()
        self.menus = Menus(self)
        self.setAcceptDrops(True)
        self.resize(1280, 800)
        self.arrangement.set_out()
        self._title()

    # Laying out.

    def _lay_out(self):
        self.lower = ScrollingStack()
        for sheet in (self.chart, self.solve_sheet, self.booth_sheet, self.map_sheet, self.parts_sheet):
            self.lower.addWidget(sheet)
        self.lower.addWidget(self.sight.numbers)
        self.arrangement = Arrangement(self)
        self.middle = ScrollingStack()
        for part in (self.arrangement.looking, *self.sheets.values()):
            self.middle.addWidget(part)
        whole = QWidget()
        column = QVBoxLayout(whole)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(0)
        for part, stretch in ((self.route, 0), (self.lesson, 0), (self.arrangement.across, 1), (self.probe_line, 0)):
            column.addWidget(part, stretch)
        self.setCentralWidget(whole)
        self._said = Label(parent=self)
        self._said.setFrameShape(QFrame.Shape.NoFrame)
        self._said.setMargin(8)
        self._said.setWordWrap(True)
        self._said.hide()
        self._said_timer = QTimer(self, singleShot=True, interval=_SAID_MS)
        self._said_timer.timeout.connect(self._said.hide)

    def _connect(self):
        s = self.session
        s.document_changed.connect(self._title)
        s.said.connect(self.say)
        s.proof_kept.connect(lambda p: self.say(tr("Kept {0} of the {1}", p.name, lowered(p.specimen))))
        self.ledger.import_wanted.connect(self.files.choose_and_import)
        self.ledger.add_wanted.connect(self.acts.add_specimen)
        self.sight.probed.connect(self.probe_line.show_pixel)
        self.sight.progressed.connect(self.probe_line.show_progress)
        self.sight.emptied.connect(self.probe_line.progress.clear)
        self.files.opened.connect(self.sight.reset)
        self.probe_line.pause_wanted.connect(self.sight.loop.pause)
        self.probe_line.restart_wanted.connect(self.sight.loop.restart)
        self.strata.browse_constants.connect(self.browse_constants)
        self.strata.solve_wanted.connect(self.solve)
        for over in (self.solve_sheet.job.finished, self.solve_sheet.job.failed, self.solve_sheet.job.cancelled):
            over.connect(lambda *_: self.sight.loop.hold(False))
        self.solve_sheet.closed.connect(lambda: self.lower.setCurrentWidget(self.chart))
        self.sight.numbers.closed.connect(lambda: self.lower.setCurrentWidget(self.chart))
        self.sight.booth_wanted.connect(self.show_booth)
        self.booth_sheet.closed.connect(lambda: self.show_booth(False))
        self.booth_sheet.mesh_wanted.connect(self.files.choose_mesh)
        for under in (self.map_sheet, self.parts_sheet):
            under.closed.connect(partial(self._leave_under, under))
        self.parts_sheet.looked_at.connect(self.sight.look_at)
        self.parts_sheet.mesh_wanted.connect(self.files.choose_mesh)
        self.sight.surveyor.told.connect(self.probe_line.show_mapped)
        self.map_sheet.picture_wanted.connect(self.files.choose_map_picture)
        self.strata.map_wanted.connect(self.show_map)
        self.strata.map_picture_wanted.connect(lambda name: self.files.choose_map_picture(name, None))
        self.files.map_given.connect(self.show_map)
        self.booth_sheet.region_wanted.connect(self.sight.want_region)
        self.lower.currentChanged.connect(lambda _: self.sight.show_pins())
        self.lower.currentChanged.connect(
            lambda _: self.sight.booth_button.setChecked(self.lower.currentWidget() is self.booth_sheet)
        )
        for sheet in self.sheets.values():
            sheet.closed.connect(self.show_sheet)
        self.sheets["evidence"].shelf_wanted.connect(self._open_shelf_at)
        self.sheets["shelf"].read.connect(self._take_from_shelf)
        strip = self.sight.compare_strip
        strip.keep_wanted.connect(self.acts.keep_proof)
        strip.proofs_wanted.connect(lambda: self.show_sheet("proofs"))
        strip.reference_wanted.connect(lambda: self.show_sheet("photograph"))
        self.sheets["proofs"].keep_wanted.connect(self.acts.keep_proof)
        self.sheets["proofs"].compare_wanted.connect(self._compare_with)
        self.sheets["photograph"].compare_wanted.connect(self._compare_with)
        self.sight.progressed.connect(self.sheets["photograph"].show_frame)
        self.sight.emptied.connect(lambda: self.sheets["photograph"].show_frame(None))
        view = self.sheets["photograph"].view
        view.orbited.connect(self.sight.orbit)
        view.turned.connect(self.sight.turn_light)
        view.neared.connect(self.sight.near)
        self.sheets["reading"].remove_wanted.connect(self.acts.remove_reading)
        self.ledger.photograph_wanted.connect(lambda: self.show_sheet("photograph"))
        self.sight.readouts.pins_read.connect(self.ledger.photograph_card.show_pins)
        self.ledger.reading_wanted.connect(lambda: self.arrangement.show_chart(True))
        self.ledger.edit_wanted.connect(lambda: self.show_sheet("reading"))
        self.ledger.more_wanted.connect(lambda at: self.menus.evidence.exec(at))
        for take in (self.sight.show_error, self.sheets["evidence"].take_error):
            self.solve_sheet.error_shown.connect(take)
        self.sight.progressed.connect(self._tell_aspect)
        self.solve_sheet.outcome.connect(self.sheets["ladder"].take_solution)
        self.solve_sheet.equal_wanted.connect(lambda: (self.show_sheet("ladder"), self.sheets["ladder"].show_equal()))
        self.sheets["ladder"].queued.connect(self.sheets["queue"].add)
        self.solve_sheet.next_wanted.connect(lambda: self.show_sheet("evidence"))
        self.route.taken.connect(self.go_to)
        s.reading_chosen.connect(self._back_to_chart)
        s.chosen_changed.connect(self._leave_solve_sheet)
        self.readying.said.connect(self.say)
        self.files.making.connect(partial(self.sight.picture.wait_for, STUDY))
        self.readying.waited.connect(partial(self.sight.picture.wait_for, RENDERER))

    def _tell_aspect(self, frame):
        height, width, _ = frame.linear.shape
        self.solve_sheet.aspect = width / height

    def _back_to_chart(self):
        if not self.solve_sheet.job.is_running:
            self.lower.setCurrentWidget(self.chart)

    def _leave_solve_sheet(self):
        if self.lower.currentWidget() is self.solve_sheet:
            self._back_to_chart()

    def show_booth(self, on):
        """Show the booth's sheet under the picture, or the chart again."""
        self.lower.setCurrentWidget(self.booth_sheet if on else self.chart)

    def show_map(self, name):
        """Show the map of a parameter under the picture."""
        self.show_sheet()
        self.map_sheet.show_map(name)
        self.lower.setCurrentWidget(self.map_sheet)
        self.arrangement.take_room()

    def show_any_map(self):
        """Show the map of the chosen stratum, or the first there is; say so where there is none."""
        maps = self.session.specimen.surface.maps if self.session.specimen else {}
        name = next((n for n in maps if PARAMETERS[n].stratum == self.session.stratum), next(iter(maps), None))
        if name is None:
            self.say(tr("Nothing varies over this specimen yet; press the map button beside a gauge's name."))
        else:
            self.show_map(name)

    def show_parts(self):
        """Show the parts of the chosen specimen's shape under the picture, or the chart again."""
        shown = self.lower.currentWidget() is self.parts_sheet
        self.show_sheet()
        self.lower.setCurrentWidget(self.chart if shown else self.parts_sheet)
        if not shown:
            self.arrangement.take_room()

    def _leave_under(self, sheet):
        if self.lower.currentWidget() is sheet:
            self.lower.setCurrentWidget(self.chart)

    def show_numbers(self):
        """Show pins, profile and histogram under the picture, or the chart again."""
        shown = self.lower.currentWidget() is self.sight.numbers
        self.lower.setCurrentWidget(self.chart if shown else self.sight.numbers)
        self.sight.booth_changed()

    def show_sheet(self, name=None):
        """Have a sheet in the middle of the window, or the picture and the chart again."""
        sheet = self.sheets.get(name)
        self.middle.setCurrentWidget(sheet if sheet is not None else self.middle.widget(0))
        if sheet is not None:
            sheet.opened()

    def toggle_sheet(self, name):
        """Open a sheet, or close it where it is open."""
        self.show_sheet(None if self.middle.currentWidget() is self.sheets[name] else name)

    def _open_shelf_at(self, key):
        self.show_sheet("shelf")
        self.sheets["shelf"].choose(key)

    def _take_from_shelf(self, reading):
        try:
            self.session.add_reading(reading, "measure")
        except InputError as error:
            self.say(str(error))

    def _compare_with(self, partner, instead=None):
        if partner is not None:
            self.show_sheet()
            self.sight.compare_strip.compare_with(partner, instead)

    def _title(self):
        self.setWindowTitle(tr("{0} – Photometra", self.session.title))
        self.menus.show_history(self.session.history)

    # Doing.

    def say(self, sentence):
        """Show a sentence for a while, over the foot of the picture."""
        t = theme.current()
        self._said.setStyleSheet(
            f"background: {t.raised}; color: {t.text}; border: 1px solid {t.line}; border-radius: 4px;"
        )
        self._said.setText(sentence)
        self._said.setMaximumWidth(int(0.6 * self.width()))
        self._said.adjustSize()
        at = self.sight.picture.mapTo(self, self.sight.picture.rect().bottomLeft())
        self._said.move(at.x() + 12, at.y() - self._said.height() - 12)
        self._said.raise_()
        self._said.show()
        self._said_timer.start()

    def go_to(self, step):
        """Go where a step of the route is done."""
        if step == SPECIMEN:
            cards = self.ledger.specimen_cards
            if cards:
                cards[self.session.index].setFocus()
            else:
                self.acts.add_specimen()
        elif step == LIGHT:
            if self.session.study.booth.white is None and self.session.specimen is not None:
                self.sight.pick(NEUTRAL)
            self.sight.chain.exposure.setFocus()
        elif step in _GAUGES:
            stratum, name = _GAUGES[step]
            self.session.choose_stratum(stratum)
            gauge = self.strata.gauges[name]
            gauge.track.setFocus()
        elif step == AGREEMENT:
            found = self.session.agreements_of(self.session.specimen)
            worst = max(range(len(found)), key=lambda i: found[i].value / found[i].reading.tolerance, default=None)
            if worst is not None:
                self.session.choose_reading(worst)
            self.show_sheet("agreement")
        else:
            self.open_hand_over()

    def solve(self):
        if self.session.specimen is not None and self.solve_sheet.start(
            self.menus.robust.isChecked(), self.menus.keep_rgb.isChecked(), self.menus.linked.isChecked()
        ):
            self.sight.loop.hold(True)
            self.show_sheet()
            self.lower.setCurrentWidget(self.solve_sheet)
            self.arrangement.take_room()

    def browse_constants(self, target="constants"):
        """Open the browser of optical constants for the chosen specimen's body, or its film."""
        if self.session.specimen is None:
            self.say(tr("Add a specimen first; constants belong to one."))
            return
        self.browser = ConstantsBrowser(self.session, self, target)
        self.browser.show()

    def open_hand_over(self):
        if self.session.specimen is None:
            self.say(tr("There is no specimen to hand over yet."))
            return
        self.hand_over = HandOver(self.session, self)
        self.hand_over.show()

    def use_theme(self, name):
        self.settings.setValue("theme", name)
        theme.apply(QApplication.instance(), name)
        for chart in self.findChildren(ReadingChart):
            chart.restyle()
        self.update()

    def use_language(self, name):
        """Speak another language from the next start on: what has been said before stays as it is."""
        self.settings.setValue("language", name)
        self.say(tr("Photometra speaks {0} from its next start on.", LANGUAGES[name]))

    def find_command(self):
        """Search the commands of all menus."""
        self.command_search = CommandSearch(self.menuBar(), self)
        self.command_search.open()

    def about(self):
        QMessageBox.about(
            self, "Photometra",
            tr("<b>Photometra {0}</b><p>Surface parameters held against measurements of the real "
               "sample.</p><p>Optical constants: measured tables from the literature, each with its source "
               "in the browser. Type: Inter, under the SIL Open Font License 1.1.</p>", __version__),
        )  # fmt: skip

    # Beginning and ending.

    def offer_rescue(self, path=None):
        """Offer what an ended program left unsaved (of one study); True where the person took it."""
        others = {r.journal: r.name for r in self.files.rescued()} if path else {}
        for rescue in self.files.rescued(path):
            box = message(
                self, QMessageBox.Icon.NoIcon,
                tr("Photometra ended before the changes to “{0}” were saved.", rescue.name), tr("Bring them back?"),
            )  # fmt: skip
            back = box.addButton(tr("Bring them back"), QMessageBox.ButtonRole.AcceptRole)
            drop = box.addButton(tr("Let them go"), QMessageBox.ButtonRole.DestructiveRole)
            box.addButton(tr("Ask again later"), QMessageBox.ButtonRole.RejectRole)
            box.exec()
            if box.clickedButton() is back:
                try:
                    self.files.open_recovered(rescue)
                except InputError as error:
                    self.files.refuse(str(error))
                    continue
                return True
            if box.clickedButton() is drop:
                rescue.discard()
        for rescue in self.files.rescued(path):
            others.pop(rescue.journal, None)
        if others:
            names = ", ".join(f"“{name}”" for name in sorted(set(others.values())))
            self.say(tr("Unsaved work of {0} is kept: start Photometra without a study to restore it.", names))
        return False

    def dragEnterEvent(self, event):
        if event.mimeData().hasUrls():
            event.acceptProposedAction()

    def dropEvent(self, event):
        paths = [Path(url.toLocalFile()) for url in event.mimeData().urls() if url.isLocalFile()]
        # What is in a folder is looked at together; files belong to the chosen specimen, one by one.
        folders = [p for p in paths if p.is_dir()]
        if folders:
            self.files.bring_in_several(folders)
        for path in paths:
            if path not in folders:
                self.files.bring_in(path)

    def closeEvent(self, event):
        if not self.files.may_leave():
            event.ignore()
            return
        self.arrangement.keep()
        self.arrangement.close_apart()
        for dialog in (self.browser, self.hand_over):
            if dialog is not None:
                dialog.close()
        self.readying.end()
        for part in (
            *self.sheets.values(),
            self.sight,
            self.strata,
            self.solve_sheet,
            self.map_sheet,
            self.parts_sheet,
            self.files,
            self.session,
        ):
            part.end()
        event.accept()
