"""The menus of the main window: every act by name, with its key."""

from functools import partial

from PyQt6.QtGui import QAction, QKeySequence

from ..imaging.denoising import is_available
from ..surface import parameters_of
from ..words import in_english, lowered, tr
from .guide_sheet import asked, show_guide
from .language import LANGUAGES
from .lesson import LESSONS
from .shortcuts import ShortcutsDialog, use_saved


class Menus:
    """Makes the menus of a window, and keeps what changes in them."""

    def __init__(self, window):
        self.window = w = window
        bar = w.menuBar()
        study = bar.addMenu(tr("&Study"))
        self._add(study, tr("&New"), w.files.new, QKeySequence.StandardKey.New)
        self._add(study, tr("&Open…"), w.files.choose_and_open, QKeySequence.StandardKey.Open)
        self._recent = study.addMenu(tr("Open &recent"))
        w.files.recent_changed.connect(self._fill_recent)
        self._fill_recent()
        self._add(study, tr("&Save"), w.files.save, QKeySequence.StandardKey.Save)
        self._add(study, tr("Save &as…"), w.files.save_as, "Ctrl+Shift+S")
        study.addSeparator()
        self._add(study, tr("Take an &environment…"), w.files.choose_environment)
        self._add(study, tr("Take a &mesh…"), w.files.choose_mesh)
        self._add(study, tr("Take ma&terials…"), w.files.choose_materials)
        study.addSeparator()
        self._add(study, tr("&Library"), partial(w.toggle_sheet, "library"), "Ctrl+Shift+B")
        self._add(study, tr("Nu&mbers to type elsewhere"), partial(w.toggle_sheet, "conventions"), "Ctrl+Shift+E")
        self._add(study, tr("&Hand over…"), w.open_hand_over, "Ctrl+E")
        self._add(study, tr("&Queue of pictures"), partial(w.toggle_sheet, "queue"), "Ctrl+Shift+U")
        study.addSeparator()
        self._add(study, tr("&Quit"), w.close, QKeySequence.StandardKey.Quit)
        edit = bar.addMenu(tr("&Edit"))
        self.undo = self._add(edit, tr("&Undo"), lambda: w.session.history.undo(), QKeySequence.StandardKey.Undo)
        self.redo = self._add(edit, tr("&Redo"), lambda: w.session.history.redo(), "Ctrl+Shift+Z", "Ctrl+Y")
        specimen = bar.addMenu(tr("S&pecimen"))
        self._add(specimen, tr("&Add…"), w.acts.add_specimen, "Ctrl+Shift+N")
        self._add(specimen, tr("&Rename…"), w.acts.rename_specimen, "F2")
        self._add(specimen, tr("&Size…"), w.acts.resize_specimen)
        self._add(specimen, tr("&Duplicate"), w.acts.duplicate_specimen, "Ctrl+Shift+D")
        self._strata = specimen.addMenu(tr("Take a &stratum from"))
        self._strata.aboutToShow.connect(self._fill_strata)
        self._links = specimen.addMenu(tr("&Follow in this stratum"))
        self._links.aboutToShow.connect(self._fill_links)
        self._add(specimen, tr("Re&move"), w.acts.remove_specimen)
        specimen.addSeparator()
        self._add(specimen, tr("&Next"), lambda: w.session.choose(w.session.index + 1), "Ctrl+Down")
        self._add(specimen, tr("&Previous"), lambda: w.session.choose(w.session.index - 1), "Ctrl+Up")
        evidence = self.evidence = bar.addMenu(tr("&Evidence"))
        self._add(evidence, tr("&Import a reading…"), w.files.choose_and_import, "Ctrl+I")
        self._add(evidence, tr("Import se&veral readings…"), w.files.choose_several, "Ctrl+Shift+I")
        self._add(evidence, tr("Import a &folder of readings…"), w.files.choose_folder)
        self._add(evidence, tr("&Paste a table"), w.files.paste_reading, "Ctrl+Shift+V")
        self._add(evidence, tr("&Colour target…"), w.acts.add_colour_target, "Ctrl+T")
        self._add(evidence, tr("Instrument &shelf"), partial(w.toggle_sheet, "shelf"), "Ctrl+D")
        evidence.addSeparator()
        self._add(evidence, tr("&Reading: edit"), partial(w.toggle_sheet, "reading"), "Ctrl+L")
        self._add(evidence, tr("Place of the reading: &click it in the picture"), w.acts.pick_place)
        self._add(evidence, tr("&What the evidence says"), partial(w.toggle_sheet, "evidence"), "Ctrl+K")
        self._add(evidence, tr("&Agreement of the study"), partial(w.toggle_sheet, "agreement"), "Ctrl+G")
        surface = bar.addMenu(tr("S&urface"))
        self._add(surface, tr("Optical &constants…"), w.browse_constants, "Ctrl+B")
        self._add(surface, tr("Constants from a Drude–Lorentz &model"), w.acts.use_model, "Ctrl+M")
        self._add(surface, tr("Constants from Se&llmeier coefficients…"), w.acts.type_sellmeier)
        self._add(surface, tr("Constants from the &ellipsometry"), w.acts.constants_from_ellipsometry)
        self._add(surface, tr("&Map of the chosen gauge"), w.show_any_map, "Ctrl+Shift+G")
        self._add(surface, tr("&Find missing map pictures…"), w.files.relink)
        self._add(surface, tr("&Solve"), w.solve, "Ctrl+Return")
        self.robust = self._add(surface, tr("Ro&bust fit (outliers down-weighted)"), lambda: None)
        self.robust.setCheckable(True)
        self.robust.setToolTip(tr("In a solve, residuals beyond two standard uncertainties are down-weighted"))
        self.linked = self._add(surface, tr("Solve lin&ked specimens together"), self._remember_linked)
        self.linked.setCheckable(True)
        self.linked.setChecked(w.settings.value("solve_linked", True, bool))
        self.linked.setToolTip(tr("What linked specimens share is then told by the readings of all of them"))
        self.keep_rgb = self._add(surface, tr("Solve colours as R&GB only"), self._remember_rgb)
        self.keep_rgb.setCheckable(True)
        self.keep_rgb.setChecked(w.settings.value("keep_rgb", False, bool))
        self.keep_rgb.setToolTip(tr("Otherwise a solve gives a spectrum where a spectral reading asks for one"))
        view = bar.addMenu(tr("&View"))
        self._add(view, tr("&Booth: shape, camera, lamps"), lambda: w.show_booth(w.lower.currentWidget() is w.chart))
        self._add(view, tr("Par&ts of the model"), w.show_parts, "Ctrl+Shift+T")
        self._add(view, tr("&Numbers: pins, profile, histogram"), w.show_numbers, "Ctrl+Shift+M")
        self.denoise = self._add(view, tr("&Denoise the picture"), self._denoise, "D")
        self.denoise.setCheckable(True)
        self.denoise.setEnabled(is_available())
        self.denoise.setChecked(is_available() and w.settings.value("denoise", True, bool))
        self.denoise.setToolTip(
            tr("What is looked at only: the probe, differences and files read the mean as rendered")
        )
        w.sight.loop.denoise(self.denoise.isChecked())
        self._add(view, tr("&Pause or resume"), w.probe_line.pause.toggle, "Ctrl+Space")
        self._add(view, tr("&Restart the picture"), w.sight.loop.restart, "Ctrl+R")
        self._add(view, tr("&Keep a proof"), w.acts.keep_proof, "Ctrl+J")
        self._add(view, tr("Pr&oofs"), partial(w.toggle_sheet, "proofs"), "Ctrl+Shift+J")
        self._add(view, tr("L&adder"), partial(w.toggle_sheet, "ladder"), "Ctrl+Shift+L")
        self._add(view, tr("P&hotograph of the specimen"), partial(w.toggle_sheet, "photograph"), "Ctrl+Shift+P")
        self._add(view, tr("P&lain view and back"), w.sight.toggle_plain, "Ctrl+P")
        view.addSeparator()
        self.alone = self._switch(view, tr("Picture a&lone"), "F")
        self.alone.toggled.connect(w.arrangement.show_alone)
        self.chart = self._switch(view, tr("&Chart under the picture"), "Ctrl+Shift+F")
        self.chart.toggled.connect(w.arrangement.show_chart)
        self.apart = self._switch(view, tr("Picture in its o&wn window"), "Shift+F")
        self.apart.toggled.connect(w.arrangement.show_apart)
        view.addSeparator()
        self._add(view, tr("&Light theme"), partial(w.use_theme, "light"))
        self._add(view, tr("&Dim theme"), partial(w.use_theme, "dim"))
        languages = view.addMenu(tr("&Language"))
        for key, name in LANGUAGES.items():
            self._add(languages, name, partial(w.use_language, key))
        about = bar.addMenu(tr("&Help"))
        self._add(about, tr("&What is this?"), lambda: show_guide(w, asked(w)), "F1")
        self._add(about, tr("Point and as&k"), w.pointing.begin, "Ctrl+F1")
        self._add(about, tr("&Guide"), lambda: show_guide(w, "index"), "Shift+F1")
        lessons = about.addMenu(tr("&Lessons"))
        for key, (name, _) in LESSONS.items():
            self._add(lessons, name, partial(w.lesson.begin, key))
        self._add(about, tr("&Find a command…"), w.find_command, "Ctrl+Shift+A")
        self._add(about, tr("&Keyboard shortcuts…"), self._edit_keys)
        self._add(about, tr("&About Photometra"), w.about)
        use_saved(bar, w.settings)

    def _edit_keys(self):
        self.keys = ShortcutsDialog(self.window.menuBar(), self.window.settings, self.window)
        self.keys.open()

    def _add(self, menu, text, slot, *shortcuts):
        action = QAction(text, self.window)
        # Texts change, as that of Undo does, and with the language; by this name its keys are kept.
        action.setObjectName(f"{in_english(menu.title())} › {in_english(text)}".replace("&", "").removesuffix("…"))
        action.setShortcuts([QKeySequence(s) for s in shortcuts])
        action.triggered.connect(lambda _checked=False: slot())
        menu.addAction(action)
        return action

    def _switch(self, menu, text, *shortcuts):
        action = self._add(menu, text, lambda: None, *shortcuts)
        action.setCheckable(True)
        return action

    def _remember_linked(self):
        self.window.settings.setValue("solve_linked", self.linked.isChecked())

    def _remember_rgb(self):
        self.window.settings.setValue("keep_rgb", self.keep_rgb.isChecked())

    def _denoise(self):
        self.window.settings.setValue("denoise", self.denoise.isChecked())
        self.window.sight.loop.denoise(self.denoise.isChecked())

    def show_history(self, history):
        """Say what would be undone and done again."""
        for action, word, label in (
            (self.undo, tr("&Undo"), history.undo_label),
            (self.redo, tr("&Redo"), history.redo_label),
        ):
            action.setText(f"{word} {label}".strip())
            action.setEnabled(bool(label))

    def _fill_recent(self):
        self._recent.clear()
        files = self.window.files
        for path in files.recent:
            # A list that changes: no key of one's own is kept for it.
            self._add(self._recent, path, partial(files.open, path)).setObjectName("")
        self._recent.setEnabled(bool(files.recent))

    def _fill_links(self):
        """Offer to follow every other specimen in the chosen stratum, or to stand by itself again."""
        self._links.clear()
        session = self.window.session
        if session.specimen is None:
            return
        for i, s in enumerate(session.study.specimens):
            if i != session.index:
                self._links.addAction(s.name, partial(session.link, session.stratum, s.name))
        if session.specimen.leader_in(session.stratum):
            self._links.addSeparator()
            self._links.addAction(tr("Unlink the {0}", session.stratum), partial(session.link, session.stratum, None))

    def _fill_strata(self):
        """Offer the chosen stratum of every other specimen."""
        self._strata.clear()
        stratum = self.window.session.stratum
        for i, s in enumerate(self.window.session.study.specimens):
            if i != self.window.session.index:
                changes = {p.name: s.surface.input(p.name) for p in parameters_of(stratum)}
                label = tr("{0} of the {1}", stratum, lowered(s.name))
                self._strata.addAction(
                    label, partial(self.window.session.set_values, changes, tr("take the {0}", label))
                )
        if self._strata.isEmpty():
            self._strata.addAction(tr("there is no other specimen")).setEnabled(False)
