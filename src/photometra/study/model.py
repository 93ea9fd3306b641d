"""The document: specimens with their surfaces and readings, and the booth they are looked at in. Immutable."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from fnmatch import fnmatchcase
from pathlib import PurePath

from ..errors import InputError
from ..names import MOST_LETTERS, kept_name, numbered, one_line
from ..readings import Reading
from ..readings.geometries import EXCLUDED, INCLUDED, THROUGH
from ..shapes.lying import LiesOn
from ..surface import PARAMETERS, Surface, parameters_of, scalar_owner
from ..words import tr
from .booth import Booth, Pin
from .proof import Proof, Reference


class StudyError(InputError):
    """A study file that cannot be used; the message is one sentence for people."""


@dataclass(frozen=True)
class Specimen:
    """One physical sample being calibrated. `size_mm` is how large it is: the diameter of the ball that stands for it.

    shape: what stands for it in the booth, by name, or `meshes/...` for one kept in the study; wall_mm: how thick the
    wall of a vessel is.
    free: names of the parameters a solve may change. bounds: {scalar: (low, high)}, narrower than the hard range.
    sigmas: {scalar: standard error} of the last solve, dropped for what was changed by hand since.
    assigned: (part of the shape, a pattern of parts as `frame/*` or of materials as `@brass*`; name of the specimen
    whose surface it has, empty for none).
    follows: (stratum, name of the specimen that it follows in it): a study keeps the values there the same.
    tags: by which a library finds it; rests_on: what its values come from, in words.
    """

    name: str
    size_mm: float = 60.0
    surface: Surface = field(default_factory=Surface)
    readings: tuple[Reading, ...] = ()
    free: frozenset[str] = frozenset()
    bounds: Mapping[str, tuple[float, float]] = field(default_factory=dict)
    sigmas: Mapping[str, float] = field(default_factory=dict)
    notes: str = ""
    shape: str = "ball"
    wall_mm: float = 2.5
    reference: Reference | None = None
    assigned: tuple[tuple[str, str], ...] = ()
    follows: tuple[tuple[str, str], ...] = ()
    tags: tuple[str, ...] = ()
    rests_on: str = ""

    def __post_init__(self):
        here = LiesOn(self.shape, self.size_mm, self.wall_mm)
        if self.surface.maps and self.surface.lies_on != here:
            object.__setattr__(self, "surface", self.surface.lying_on(here))

    def __hash__(self):
        return hash((self.name, self.surface, self.readings))

    def with_values(self, changes) -> "Specimen":
        """The specimen with parameters changed by hand: their standard errors no longer hold."""
        kept = {s: v for s, v in self.sigmas.items() if not any(_belongs(s, name) for name in changes)}
        surface = self.surface.with_values(changes)
        return replace(self, surface=surface, sigmas=kept, free=self._free_with(surface, self.readings))

    def _free_with(self, surface, readings):
        """What is free once surface or readings are others: it follows them until a person has chosen."""
        return told_by(surface, readings) if self.free == told_by(self.surface, self.readings) else self.free

    def with_solved(self, surface: Surface, sigmas) -> "Specimen":
        """The specimen with a solve's surface and {scalar: standard error or None}, a value that has none without."""
        solved = {scalar_owner(s)[0].name for s in sigmas}
        kept = {s: v for s, v in self.sigmas.items() if scalar_owner(s)[0].name not in solved}
        return replace(self, surface=surface, sigmas={**kept, **{s: v for s, v in sigmas.items() if v is not None}})

    def with_free(self, name, is_free) -> "Specimen":
        """The specimen with one parameter freed or held; ValueError for one that cannot be solved for."""
        if is_free:
            self.followed((name,))
        if is_free and not scalar_owner(name)[0].solvable:
            raise InputError(tr("{0} cannot be solved for; set it by hand", name))
        return replace(self, free=self.free | {name} if is_free else self.free - {name})

    def with_bounds(self, name, bounds) -> "Specimen":
        """The specimen with a parameter's bounds for a solve, (low, high) or None; ValueError where they cannot be."""
        kept = {n: b for n, b in self.bounds.items() if n != name}
        if bounds is not None:
            if len(bounds) != 2 or not bounds[0] < bounds[1]:
                raise InputError(tr("{0}: write bounds as a lower number, 'to', and a higher one", name))
            kept[name] = (float(bounds[0]), float(bounds[1]))
        return replace(self, bounds=kept)

    def assigned_to(self, part, material=""):
        """The name of the specimen whose surface a part has: by its own name, else by the last pattern of its name or
        of its material; or None."""
        own = [name for pattern, name in self.assigned if pattern == part]
        fitting = [name for pattern, name in self.assigned if matches(pattern, part, material)]
        return (own or fitting or [None])[-1] or None

    def with_assigned(self, pattern, name) -> "Specimen":
        """The specimen with a part, or a pattern of parts, given the surface of a specimen by name; None takes it."""
        pattern = one_line(pattern)
        if not pattern or len(pattern) > MOST_LETTERS:
            raise InputError(tr("name a part, a pattern of parts as frame/*, or a material of the file as @brass"))
        kept = tuple(pair for pair in self.assigned if pair[0] != pattern)
        if name is None and any(matches(other, pattern) for other, _ in kept):
            # What a pattern still gives it is taken from this part alone: an empty name.
            name = ""
        return replace(self, assigned=kept if name is None else (*kept, (pattern, name)))

    def leader_in(self, stratum):
        """The name of the specimen that this one follows in a stratum, or None."""
        return next((name for own, name in self.follows if own == stratum), None)

    def followed(self, names):
        """InputError where one of the parameters or scalars named is in a stratum that follows another specimen."""
        for name in names:
            p, _ = scalar_owner(name)
            leader = self.leader_in(p.stratum)
            if leader is not None:
                raise InputError(
                    tr(
                        "{0} follows '{1}' in {2}; change it there, or unlink the {3}",
                        p.name,
                        leader,
                        self.name,
                        p.stratum,
                    )
                )

    def with_reading(self, reading: Reading) -> "Specimen":
        """The specimen with a reading added; a name that is taken gets a number.

        What a slab lets through needs a thickness: where the reading says none, the specimen's own size stands in.
        """
        is_through = reading.kind_key == "transmittance" or reading.geometry == THROUGH
        if is_through and not reading.thickness_mm:
            # A guess, so none of the digits that a caliper gives.
            unsure = replace(reading.systematic, thickness_mm=_GUESSED * self.size_mm)
            reading = reading.with_changes(thickness_mm=self.size_mm, systematic=unsure)
        reading = reading.with_changes(name=numbered(reading.name, {r.name for r in self.readings}))
        readings = (*self.readings, reading)
        return replace(self, readings=readings, free=self._free_with(self.surface, readings))

    def with_reading_at(self, index, reading: Reading) -> "Specimen":
        """The specimen with one reading replaced."""
        readings = list(self.readings)
        readings[index] = reading
        return replace(self, readings=tuple(readings))

    def without_reading(self, index) -> "Specimen":
        return replace(self, readings=self.readings[:index] + self.readings[index + 1 :])


def matches(pattern, part, material=""):
    """Whether a name, a pattern of names, or `@` and a pattern of what the file calls materials, is of a part."""
    if pattern.startswith("@") and material:
        return fnmatchcase(material, pattern[1:])
    return pattern == part or fnmatchcase(part, pattern)


_GUESSED = 0.05
"""How far a slab's thickness may be from the specimen's size that stands in for it, as a share."""
_FIRST_KINDS = ("reflectance", "gloss", "index")
"""What a sample is measured by as a rule: what these tell is free before there is a reading."""


def told_by(surface: Surface, readings) -> frozenset[str]:
    """Parameters that the active readings tell of a surface; before there is any, those that the usual ones would."""
    kinds = {r.kind_key for r in readings if r.active} or set(_FIRST_KINDS)
    if {INCLUDED, EXCLUDED} <= {r.geometry for r in readings if r.active and r.kind_key == "reflectance"}:
        kinds.add("reflectance in and out")
    return frozenset(
        p.name for p in PARAMETERS.values() if p.solvable and kinds.intersection(p.told_by) and surface.applies(p.name)
    )


_MOST_SPECIMENS = 500
"""That many readings at once may make."""


def _belongs(scalar, name):
    return scalar_owner(scalar)[0].name == name


def shown_names(names):
    """{kept name: what people call it}: without its folder and what tells its content, unless two would be alike."""
    short = {n: re.sub(r"\.[0-9a-f]{8}(?=\.[a-z0-9]+$)", "", n.partition("/")[2] or n) for n in names}
    alike = list(short.values())
    return {n: s if alike.count(s) == 1 else n.partition("/")[2] for n, s in short.items()}


def _following(specimens):
    """Specimens with the values of those that they follow, which may follow others themselves."""
    by_name = {s.name: s for s in specimens}

    def value_of(one, stratum, parameters, seen):
        leader = by_name.get(one.leader_in(stratum))
        if leader is None or leader.name in seen:
            return {p.name: one.surface.input(p.name) for p in parameters}
        return value_of(leader, stratum, parameters, seen | {leader.name})

    out = []
    for one in specimens:
        changes = {}
        for stratum, _ in one.follows:
            changes |= value_of(one, stratum, parameters_of(stratum), {one.name})
        changes = {n: v for n, v in changes.items() if v != one.surface.input(n)}
        if changes:
            surface = Surface({**one.surface.given, **changes}, one.surface.lies_on)
            kept = {s: v for s, v in one.sigmas.items() if scalar_owner(s)[0].name not in changes}
            one = replace(one, surface=surface, sigmas=kept)
        out.append(one)
    return tuple(out)


def _checked_size(size_mm):
    if not 0.1 <= size_mm <= 10_000:
        raise InputError(tr("a specimen's size must lie between 0.1 and 10000 mm"))
    return float(size_mm)


@dataclass(frozen=True)
class Study:
    """A whole document. `pictures`, `meshes`, `images`: {name: bytes} of the environments, the mesh files, and the
    reference photographs and proofs' pictures that it carries.
    """

    name: str = tr("Untitled")
    specimens: tuple[Specimen, ...] = ()
    booth: Booth = field(default_factory=Booth)
    pictures: Mapping[str, bytes] = field(default_factory=dict)
    meshes: Mapping[str, bytes] = field(default_factory=dict)
    images: Mapping[str, bytes] = field(default_factory=dict)
    proofs: tuple[Proof, ...] = ()

    def __post_init__(self):
        if any(s.follows for s in self.specimens):
            object.__setattr__(self, "specimens", _following(self.specimens))
        # Maps on a mesh that the study keeps need the mesh itself.
        for i, one in enumerate(self.specimens):
            mesh = self.meshes.get(one.shape)
            if mesh is not None and one.surface.maps and one.surface.lies_on.mesh is None:
                lying = one.surface.lying_on(LiesOn(one.shape, one.size_mm, one.wall_mm, mesh))
                specimens = (*self.specimens[:i], replace(one, surface=lying), *self.specimens[i + 1 :])
                object.__setattr__(self, "specimens", specimens)

    def specimen(self, name) -> Specimen:
        """A specimen by name, whatever its case; ValueError, naming them all, where there is none."""
        return self.specimens[self.index(name)]

    def index(self, name) -> int:
        for i, s in enumerate(self.specimens):
            if s.name.casefold() == str(name).strip().casefold():
                return i
        there = ", ".join(f"'{s.name}'" for s in self.specimens) or tr("none yet")
        raise InputError(tr("there is no specimen '{0}' in this study; there is {1}", name, there))

    def counting_pins(self, specimen: Specimen) -> tuple[Pin, ...]:
        """The pins that a solve of a specimen counts: of its photograph those that are ticked; none without one."""
        return tuple(p for p in self.booth.pins if p.counts) if specimen.reference is not None else ()

    def linked_with(self, specimen: Specimen) -> tuple[Specimen, ...]:
        """The specimens that are linked with one, by whatever way, itself among them; leaders before followers."""
        chosen, more = {specimen.name}, True
        while more:
            grown = chosen | {s.name for s in self.specimens if any(n in chosen for _, n in s.follows)}
            grown |= {n for s in self.specimens if s.name in chosen for _, n in s.follows}
            more, chosen = grown != chosen, grown
        out, left = [], [s for s in self.specimens if s.name in chosen]
        while left:
            # Two may lead each other, each in another stratum.
            free = next((s for s in left if not any(n == o.name for _, n in s.follows for o in left)), left[0])
            out.append(free)
            left.remove(free)
        return tuple(out)

    def leader_of(self, specimen: Specimen, stratum) -> str | None:
        """The name of the specimen whose values one has in a stratum in the end; None for its own."""
        by_name, at = {s.name: s for s in self.specimens}, specimen.leader_in(stratum)
        while at in by_name and by_name[at].leader_in(stratum) is not None:
            at = by_name[at].leader_in(stratum)
        return at if at in by_name else None

    def with_specimen_at(self, index, specimen: Specimen) -> "Study":
        specimens = list(self.specimens)
        specimens[index] = specimen
        return replace(self, specimens=tuple(specimens))

    def with_new_specimen(self, name, size_mm=60.0, surface=None) -> "Study":
        """The study with a specimen added; ValueError for a name that is empty or taken, or a wrong size."""
        surface = surface or Surface()
        new = Specimen(self._fresh_name(name), _checked_size(size_mm), surface, free=told_by(surface, ()))
        return replace(self, specimens=(*self.specimens, new))

    def with_specimen(self, specimen: Specimen) -> "Study":
        """The study with a whole specimen added; a name that is taken gets a number, and what is free follows."""
        named = numbered(one_line(specimen.name) or "Specimen", {s.name for s in self.specimens})
        free = specimen.free or told_by(specimen.surface, specimen.readings)
        return replace(self, specimens=(*self.specimens, replace(specimen, name=named, free=free)))

    def with_arrivals(self, arrivals):
        """(the study with readings given to specimens by name, those that are not there made new; the names of the
        specimens as they are). arrivals: [(name, readings)]. InputError where there would be too many."""
        study, names = self, []
        for name, readings in arrivals:
            if not any(s.name.casefold() == name.strip().casefold() for s in study.specimens):
                if len(study.specimens) >= _MOST_SPECIMENS:
                    raise InputError(
                        tr("more than {0} specimens in one study; take fewer files at once", _MOST_SPECIMENS)
                    )
                study = study.with_new_specimen(name)
            i = study.index(name)
            one = study.specimens[i]
            for reading in readings:
                one = one.with_reading(reading)
            study = study.with_specimen_at(i, one)
            names.append(one.name)
        return study, names

    def with_duplicate(self, index) -> "Study":
        """The study with a variant of a specimen added: its surface and shape, without readings; a fresh name."""
        one = self.specimens[index]
        name = numbered(one.name, {s.name for s in self.specimens})
        own = tuple((part, name if n == one.name else n) for part, n in one.assigned)
        variant = replace(one, name=name, readings=(), sigmas={}, reference=None, assigned=own)
        return replace(self, specimens=(*self.specimens, variant))

    def with_renamed(self, index, name) -> "Study":
        """The study with a specimen renamed, its proofs with it; ValueError for a name that is empty or taken."""
        before, name = self.specimens[index], self._fresh_name(name, index)
        proofs = tuple(replace(p, specimen=name) if p.specimen == before.name else p for p in self.proofs)
        renamed = self.with_specimen_at(index, replace(before, name=name))
        specimens = tuple(
            replace(
                s,
                assigned=tuple((part, name if n == before.name else n) for part, n in s.assigned),
                follows=tuple((stratum, name if n == before.name else n) for stratum, n in s.follows),
            )
            for s in renamed.specimens
        )
        return replace(renamed, specimens=specimens, proofs=proofs)

    def with_link(self, index, stratum, leader) -> "Study":
        """The study with a specimen following another, by name, in a stratum; None lets it stand by itself again, with
        the values that it has. InputError for one that would follow itself, by whatever way."""
        parameters_of(stratum)
        one = self.specimens[index]
        kept = tuple(pair for pair in one.follows if pair[0] != stratum)
        if leader is None:
            return self.with_specimen_at(index, replace(one, follows=kept))
        name = self.specimen(leader).name
        at = name
        while at is not None:
            if at == one.name:
                raise InputError(
                    tr("'{0}' would follow itself in the {1}; unlink another one first", one.name, stratum)
                )
            at = self.specimen(at).leader_in(stratum)
        held = frozenset(n for n in one.free if scalar_owner(n)[0].stratum != stratum)
        return self.with_specimen_at(index, replace(one, follows=(*kept, (stratum, name)), free=held))

    def with_size(self, index, size_mm) -> "Study":
        """The study with a specimen's size changed; ValueError outside 0.1..10000 mm."""
        return self.with_specimen_at(index, replace(self.specimens[index], size_mm=_checked_size(size_mm)))

    def _fresh_name(self, name, besides=None):
        name = one_line(name)
        if not name:
            raise InputError(tr("a specimen needs a name"))
        if len(name) > MOST_LETTERS:
            raise InputError(tr("a specimen's name may have {0} letters at the most", MOST_LETTERS))
        if any(s.name.casefold() == name.casefold() for i, s in enumerate(self.specimens) if i != besides):
            raise InputError(tr("there is a specimen '{0}' already; choose another name", name))
        return name

    def with_environment(self, file_name, data) -> "Study":
        """The study looking at its specimens in the light of a picture file, which it keeps."""
        name = kept_name("pictures", file_name, data)
        return replace(self, pictures={**self.pictures, name: data}).with_booth(environment=name)

    def with_mesh(self, index, file_name, data) -> "Study":
        """The study with a mesh, which it keeps, to stand for a specimen; `data` the bytes of a GLB."""
        name = kept_name("meshes", f"{PurePath(file_name).stem}.glb", data)
        kept = replace(self, meshes={**self.meshes, name: data})
        return kept.with_specimen_at(index, replace(self.specimens[index], shape=name))

    def with_image(self, name, data) -> "Study":
        """The study with a picture kept under a name that starts with `images/`."""
        return replace(self, images={**self.images, name: data})

    def with_proof(self, proof: Proof, data) -> "Study":
        """The study with a proof and its picture; a name that is taken gets a number."""
        name = numbered(proof.name, {p.name for p in self.proofs if p.specimen == proof.specimen})
        return replace(self.with_image(proof.picture, data), proofs=(*self.proofs, replace(proof, name=name)))

    def without_proof(self, proof: Proof) -> "Study":
        """The study without a proof, nor the picture that was its alone."""
        images = {n: d for n, d in self.images.items() if n != proof.picture}
        return replace(self, proofs=tuple(p for p in self.proofs if p is not proof and p != proof), images=images)

    def with_proof_back(self, proof: Proof) -> "Study":
        """The study with a proof's specimen as it was then; InputError where the specimen is gone."""
        i = self.index(proof.specimen)
        return self.with_specimen_at(i, replace(self.specimens[i], surface=proof.surface, sigmas=dict(proof.sigmas)))

    def without_specimen(self, index) -> "Study":
        """The study without a specimen; those that followed it stand by themselves, with the values they have."""
        gone = self.specimens[index].name
        left = self.specimens[:index] + self.specimens[index + 1 :]
        return replace(
            self, specimens=tuple(replace(s, follows=tuple(f for f in s.follows if f[1] != gone)) for s in left)
        )

    def with_booth(self, **changes) -> "Study":
        return replace(self, booth=replace(self.booth, **changes))
