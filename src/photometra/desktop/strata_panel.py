"""The right-hand panel: the section, and under it the gauges of the chosen stratum."""

from dataclasses import replace
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QButtonGroup,
    QFrame,
    QHBoxLayout,
    QInputDialog,
    QMenu,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ..errors import InputError
from ..fitting import applicable, evidence_findings
from ..instruments import constants_reading
from ..maps import Generator, Map
from ..surface import PARAMETERS, STRATA, STRATUM_LABELS, Surface, parameters_of, table
from ..surface.checks import findings
from ..surface.compile import colours_for
from ..surface.constants import FROM_MODEL, FROM_READING
from ..surface.inputs import about, new_map
from ..surface.known_media import KnownMedium, known_media
from ..surface.values import parse_number
from ..words import counted, lowered, tr
from .absorption_chart import AbsorptionChart
from .colour_gauge import ConstantsRow, TripleGauge
from .distributions import Distributions
from .film_chart import FilmChart
from .gauge import TO, Gauge
from .language import as_typed, in_field
from .roughness_row import RoughnessRow
from .section import Section
from .session import Session
from .strata_facts import strata_facts
from .switch_row import SwitchRow
from .text import Label
from .workers import AFTER_THE_PICTURE, Latest

_NOT_TABLES = {FROM_READING: tr("from the reading"), FROM_MODEL: tr("from a Drude–Lorentz model")}


class StrataPanel(QWidget):
    """Section and gauges of the session's surface."""

    browse_constants = pyqtSignal(str)
    """Which parameter a table is wanted for."""
    solve_wanted = pyqtSignal()
    map_wanted = pyqtSignal(str)
    map_picture_wanted = pyqtSignal(str)

    def __init__(self, session: Session, parent=None):
        super().__init__(parent)
        self.session = session
        self.setObjectName("panel")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.section = Section()
        self.section.chosen.connect(session.choose_stratum)
        self.section.angle_changed.connect(self._ask)
        self.distributions = Distributions(self)
        self.distributions.arrived.connect(self.refresh)
        self._facts, self._telling = None, Latest("section", self, AFTER_THE_PICTURE)
        self._telling.done.connect(self._tell)
        self.gauges = {}
        self._pages = {}
        self._tabs = QButtonGroup(self)
        tabs = QHBoxLayout()
        tabs.setContentsMargins(6, 6, 6, 2)
        tabs.setSpacing(2)
        for name in STRATA:
            tab = QPushButton(STRATUM_LABELS[name])
            tab.setCheckable(True)
            tab.setObjectName("tab")
            tab.clicked.connect(partial(session.choose_stratum, name))
            self._tabs.addButton(tab)
            tabs.addWidget(tab, len(STRATUM_LABELS[name]) + 1)
            self._pages[name] = (tab, self._page(name))
        self._link = QWidget()
        link = QHBoxLayout(self._link)
        link.setContentsMargins(12, 2, 12, 2)
        self._link_text = Label()
        self._link_text.setObjectName("quiet")
        self._unlink = QPushButton(tr("Unlink"))
        self._unlink.setToolTip(tr("Let this specimen stand by itself here; it keeps the values"))
        self._unlink.clicked.connect(lambda: session.link(session.stratum, None))
        link.addWidget(self._link_text, 1)
        link.addWidget(self._unlink)
        self._scroll = QScrollArea()
        self._scroll.setWidgetResizable(True)
        self._scroll.setFrameShape(QFrame.Shape.NoFrame)
        self._scroll.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        holder = QWidget()
        column = QVBoxLayout(holder)
        column.setContentsMargins(7, 4, 2, 8)
        column.setSpacing(2)
        self._nobody = Label(tr("No specimen yet. Add one, or drop its reading on the window."))
        self._nobody.setObjectName("quiet")
        self._nobody.setWordWrap(True)
        column.addWidget(self._nobody)
        for _, page in self._pages.values():
            column.addWidget(page)
        # What is doubtful stands where no scrolling hides it, and moves no gauge; advice below the gauges.
        self._doubts, self._advice, self._found = QVBoxLayout(), QVBoxLayout(), []
        for below in (self._doubts, self._advice):
            below.setSpacing(4)
        self._doubts.setContentsMargins(12, 2, 12, 0)
        column.addLayout(self._advice)
        column.addStretch(1)
        self._scroll.setWidget(holder)
        self.solve_button = QPushButton(tr("Solve"))
        self.solve_button.setObjectName("primary")
        self.solve_button.clicked.connect(self.solve_wanted)
        self._solve_text = Label()
        self._solve_text.setObjectName("quiet")
        self._solve_text.setWordWrap(True)
        foot = QHBoxLayout()
        foot.setContentsMargins(12, 6, 12, 8)
        foot.addWidget(self._solve_text, 1)
        foot.addWidget(self.solve_button)
        whole = QVBoxLayout(self)
        whole.setContentsMargins(0, 0, 0, 0)
        whole.setSpacing(0)
        whole.addWidget(self.section)
        whole.addLayout(tabs)
        whole.addWidget(self._link)
        whole.addWidget(self._scroll, 1)
        whole.addLayout(self._doubts)
        whole.addLayout(foot)
        self._shown = None, None
        session.surface_changed.connect(self._follow)
        session.stratum_chosen.connect(self._show_stratum)
        session.readings_changed.connect(self._follow)
        session.booth_changed.connect(self._show_counting)
        session.agreements_changed.connect(self._agreed)
        self._show_stratum()
        self.refresh()

    def _page(self, stratum):
        page = QWidget()
        column = QVBoxLayout(page)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(3)
        for p in parameters_of(stratum):
            if p.kind == "constants":
                gauge = ConstantsRow(p)
                gauge.browse.connect(partial(self.browse_constants.emit, p.name))
                gauge.cleared.connect(partial(self._let_go, p.name))
            elif p.kind == "switch":
                gauge = SwitchRow(p)
                gauge.changed.connect(partial(self._changed, p.name))
            else:
                gauge = Gauge(p) if p.kind == "number" else TripleGauge(p)
                gauge.changed.connect(partial(self._changed, p.name))
                gauge.freed.connect(partial(self.session.set_free, p.name))
                gauge.refused.connect(self.session.said)
                gauge.pin.bounds_wanted.connect(partial(self._ask_bounds, p.name))
                if p.varies:
                    self._connect_map(gauge)
            self.gauges[p.name] = gauge
            column.addWidget(gauge)
        if stratum == "finish":
            self.roughness_row = RoughnessRow(self.session)
            self.roughness_row.taken.connect(self._roughness_taken)
            column.addWidget(self.roughness_row)
        if stratum == "interior":
            self._place_interior(column)
        if stratum == "film":
            self.film_chart = FilmChart(self.session)
            self.film_chart.moved.connect(self._film_moved)
            # Before the choice of a table, so that it is seen without scrolling.
            column.insertWidget(column.count() - 1, self.film_chart)
        return page

    def _connect_map(self, gauge):
        name, button = gauge.parameter.name, gauge.map_button
        button.chosen.connect(
            lambda key: self._give_map(name, new_map(self.session.specimen.surface, name, Generator(key)))
        )
        button.shared.connect(lambda other: self._share_map(name, other))
        button.edit_wanted.connect(partial(self.map_wanted.emit, name))
        button.picture_wanted.connect(partial(self.map_picture_wanted.emit, name))
        button.taken_off.connect(lambda: self._give_map(name, self.session.specimen.surface[name]))

    def _give_map(self, name, value):
        self.session.set_values({name: value}, tr("map of {0}", PARAMETERS[name].words))
        if isinstance(value, Map):
            self.map_wanted.emit(name)

    def _share_map(self, name, other):
        surface = self.session.specimen.surface
        low, high = about(PARAMETERS[name], surface[name])
        self._give_map(name, Map(surface.input(other).layers, low, high))

    def _place_interior(self, column):
        """The absorption chart under the first gauge, and the known media at the top."""
        self.absorption_chart = AbsorptionChart(self.session)
        self.absorption_chart.moved.connect(partial(self._changed, "interior.depth"))
        column.insertWidget(1, self.absorption_chart)
        self.media_button = QPushButton(tr("Known media…"))
        self.media_button.setToolTip(tr("Take a measured medium, in a clear interior or as the subsurface"))
        menu = QMenu(self.media_button)
        for title, changes_of in (
            (tr("In a clear interior"), KnownMedium.as_interior),
            (tr("As the subsurface"), KnownMedium.as_subsurface),
        ):
            part = menu.addMenu(title)
            for medium in known_media():
                part.addAction(medium.name, partial(self._take_medium, medium, changes_of))
        self.media_button.setMenu(menu)
        column.insertWidget(0, self.media_button, 0, Qt.AlignmentFlag.AlignRight)

    def _take_medium(self, medium, changes_of):
        self.session.set_values(changes_of(medium), lowered(medium.name))

    def _roughness_taken(self, roughness):
        """Take a roughness from the row; of one that varies both ends move along, so that its middle is there."""
        value = self.session.specimen.surface.input("roughness")
        if isinstance(value, Map):
            by = roughness - value.middle
            low, high = (min(max(end + by, 0.0), 1.0) for end in (value.low, value.high))
            roughness = replace(value, low=low, high=high)
        self._changed("roughness", roughness, False)

    def _film_moved(self, thickness, goes_on):
        """Take a thickness from the chart; of one that varies the nearer end of its range."""
        value = self.session.specimen.surface.input("film.thickness") if self.session.specimen else None
        if isinstance(value, Map):
            end = min(("low", "high"), key=lambda e: abs(getattr(value, e) - thickness))
            thickness = replace(value, **{end: thickness})
        self._changed("film.thickness", thickness, goes_on)

    def _changed(self, name, value, goes_on):
        if self.session.specimen is None:
            return
        self.session.set_values({name: value}, dragging=True)
        if not goes_on:
            self.session.settle()

    def _ask_bounds(self, name):
        """Ask between which values a solve may find a parameter."""
        p, specimen = PARAMETERS[name], self.session.specimen
        low, high = specimen.bounds.get(name, p.hard)
        unit = f" {p.unit}" if p.unit else ""
        text, fine = QInputDialog.getText(
            self, tr("Bounds"), tr("{0}: lowest and highest a solve may find{1}; empty for none", p.label, unit),
            text=in_field(tr("{0} to {1}", f"{low:g}", f"{high:g}")),
        )  # fmt: skip
        if not fine:
            return
        try:
            bounds = [parse_number(p, part) for part in as_typed(text).split(TO)] if text.strip() else None
            self.session.set_bounds(name, bounds)
        except InputError as error:
            self.session.said.emit(str(error))

    def _let_go(self, name):
        """Let a table of constants go; a metal keeps the colours it had by it, and what that loses is said."""
        changes, specimen = {name: ""}, self.session.specimen
        if name == "constants" and specimen.surface["metalness"] > 0.0:
            colours, error = colours_for(specimen.surface, constants_reading(specimen.readings))
            changes.update(colours)
            self.session.said.emit(
                tr("By face and edge colour it reflects within {0} % of its table", f"{100 * error:.1f}")
            )
        self.session.set_values(changes, tr("clear the constants"))

    def _show_stratum(self):
        self._show_page()
        self.section.show_stratum(self.session.stratum)
        if self.session.specimen is not None and self.session.specimen.surface.maps:
            # Distributions are worked out for what is seen.
            self.refresh()
        self._show_link()
        self._scroll.verticalScrollBar().setValue(0)

    def _show_page(self):
        """Show the gauges of the chosen stratum; of no specimen none."""
        for name, (tab, page) in self._pages.items():
            tab.setChecked(name == self.session.stratum)
            page.setVisible(name == self.session.stratum and self.session.specimen is not None)
        self._nobody.setVisible(self.session.specimen is None)

    def _follow(self):
        """A change of specimen is told twice, as one of its readings and as one of its surface: once is enough."""
        now = self.session.study, self.session.specimen
        if now[0] is not self._shown[0] or now[1] is not self._shown[1]:
            self.refresh()

    def refresh(self):
        """Show the present surface in the section and on every gauge."""
        specimen, before = self.session.specimen, self._shown[1]
        self._shown = self.session.study, specimen
        self.setEnabled(specimen is not None)
        if specimen is None or before is None:
            self._show_page()
        if specimen is None:
            self._facts = None
            self._telling.cancel()
            self.section.show_surface(Surface(), 0.0, "")
            self.section.show_split(None)
            self._show_link()
            self._put_findings([])
            self._show_counting()
            return
        surface, sigmas = specimen.surface, specimen.sigmas
        for name, gauge in self.gauges.items():
            if isinstance(gauge, ConstantsRow):
                self._show_constants(specimen, name)
                gauge.setVisible(surface.applies(name))
                continue
            applies = surface.applies(name) or (name == "haze.spread" and "haze.amount" in specimen.free)
            p, value = gauge.parameter, surface.input(name)
            is_mapped = isinstance(value, Map)
            sigma = [sigmas.get(s) for s in surface.scalars_of(name)] if p.components or is_mapped else sigmas.get(name)
            if p.varies:
                is_free = any(n in specimen.free for n in (name, f"{name}.low", f"{name}.high"))
                hill = self.distributions.of(value, surface.lies_on) if is_mapped and gauge.isVisible() else None
                gauge.show_state(value, sigma, is_free, hill)
                others = [(n, PARAMETERS[n].label) for n, m in surface.maps.items() if n != name]
                gauge.map_button.show_state(is_mapped, others)
            else:
                gauge.show_state(value, sigma, name in specimen.free)
            if p.kind != "switch":
                gauge.pin.show_bounds(specimen.bounds.get(name))
            gauge.setVisible(applies)
        for p in PARAMETERS.values():
            self.gauges[p.name].setEnabled(specimen.leader_in(p.stratum) is None)
        self._show_link()
        self.section.show_surface(surface, specimen.size_mm, _constants_title(specimen))
        self._ask()
        self._show_findings(specimen)
        self._show_counting()

    def _show_link(self):
        """Say whom the chosen stratum follows."""
        specimen = self.session.specimen
        leader = specimen.leader_in(self.session.stratum) if specimen is not None else None
        self._link.setVisible(leader is not None)
        self._link_text.setText(tr("follows {0}", leader) if leader else "")

    def _show_counting(self):
        """Say what the next solve frees and counts."""
        specimen = self.session.specimen
        if specimen is None:
            self._solve_text.clear()
            self.solve_button.setEnabled(False)
            return
        readings = sum(r.active for r in specimen.readings)
        pins = len(self.session.study.counting_pins(specimen))
        told = [counted(readings, "{0} reading", "{0} readings")]
        if pins:
            told.append(counted(pins, "{0} pin", "{0} pins"))
        free = applicable(specimen.surface, specimen.free)
        self._solve_text.setText(tr("{0} free; {1} count", len(free), tr(" and ").join(told)))
        self.solve_button.setEnabled(bool(free) and readings + pins > 0)

    def _show_constants(self, specimen, name):
        """Show the chosen table, with its colour facing us where that is known."""
        facing = self._facts.facing_of(specimen) if self._facts and name == "constants" else None
        self.gauges[name].show_state(specimen.surface[name], _constants_title(specimen, name), facing)

    def _ask(self, _angle=None):
        """Have told what takes kernels to tell."""
        specimen, meshes, angle = self.session.specimen, self.session.study.meshes, self.section.angle
        if specimen is not None:
            self._telling.submit(lambda: strata_facts(specimen, meshes, angle))

    def _tell(self, facts):
        self._facts, specimen = facts, self.session.specimen
        if specimen is None:
            return
        self.section.show_split(facts.split, facts.inner)
        self._show_constants(specimen, "constants")
        told = facts.specimen.surface
        self.gauges["colour"].show_leaving(facts.leaving, told["ior"])
        self._show_findings(specimen)

    def _agreed(self):
        if self.session.specimen is not None:
            self._show_findings(self.session.specimen)

    def _show_findings(self, specimen):
        of_surface = findings(specimen.surface, specimen.size_mm, constants_reading(specimen.readings) is not None)
        beside = evidence_findings(specimen.surface, self.session.agreements_now(specimen))
        of_shape = self._facts.findings_of(specimen) if self._facts else []
        self._put_findings([*of_surface, *beside, *of_shape])

    def _put_findings(self, found):
        if found == self._found:
            # What stands there may be about to be clicked.
            return
        self._found = found
        for below in (self._doubts, self._advice):
            while below.count():
                below.takeAt(0).widget().deleteLater()
        for f in found:
            row = QWidget()
            line = QHBoxLayout(row)
            line.setContentsMargins(0, 2, 0, 2)
            text = Label(f.sentence if f.is_advice else f"! {f.sentence}")
            text.setObjectName("quiet" if f.is_advice else "brick")
            text.setWordWrap(True)
            line.addWidget(text, 1)
            if f.mend:
                button = QPushButton(f.mend_label)
                button.clicked.connect(partial(self.session.set_values, dict(f.mend), tr("mend")))
                line.addWidget(button)
            (self._advice if f.is_advice else self._doubts).addWidget(row)

    def end(self):
        self._telling.end()
        self.distributions.end()
        self.film_chart.end()
        self.absorption_chart.end()
        self.roughness_row.end()


def _constants_title(specimen, name="constants"):
    """What the chosen constants are called; "" where there are none."""
    key = specimen.surface[name]
    if key == FROM_READING and constants_reading(specimen.readings) is None:
        return tr("reading (missing)")
    return (_NOT_TABLES.get(key) or table(key).name) if key else ""
