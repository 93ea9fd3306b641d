"""Linked specimens solved together: what they share is one unknown, and the readings of all of them tell of it."""

import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass

import numpy as np

from ..errors import InputError
from ..instruments import constants_reading
from ..optics.threads import thread_count
from ..readings import Reading
from ..study import Specimen, Study
from ..surface import Surface, scalar_owner
from ..words import tr
from .descent import Descent
from .problem import Problem, applicable, free_names
from .solver import Solution, Solved, counting
from .uncertainty import errors_of, undetermined
from .verdict import CONVERGED, STOPPED, Verdict, misfits


@dataclass(frozen=True)
class Member:
    """One of the specimens: what is free of it by itself, {name: (low, high)} of bounds, and in which strata it follows
    which other member."""

    name: str
    surface: Surface
    readings: tuple[Reading, ...]
    free: tuple[str, ...]
    bounds: dict
    follows: dict[str, str]


def members_of(study: Study, specimen: Specimen) -> tuple[Member, ...]:
    """A specimen of a study and those linked with it, as members: all that have readings, and whom they follow. None
    where it would be the only one."""
    linked = study.linked_with(specimen)
    leaders = {s.name: {stratum: study.leader_of(s, stratum) for stratum, _ in s.follows} for s in linked}
    read = {s.name for s in linked if s.name == specimen.name or any(r.active for r in s.readings)}
    # Without readings of its own a leader still says what is free.
    names = read | {leader for name in read for leader in leaders[name].values() if leader is not None}
    out = []
    for s in linked:
        if s.name in names:
            follows = {stratum: leader for stratum, leader in leaders[s.name].items() if leader in names}
            out.append(Member(s.name, s.surface, s.readings, tuple(s.free), dict(s.bounds), follows))
    return tuple(out) if len(out) > 1 else ()


class _Joint:
    """The members' problems over one vector of unknowns: scalars by owner, then every member's effects."""

    def __init__(self, members, report, cancel):
        by_name = {m.name: m for m in members}
        self._report, self._best, self.members = report, float("inf"), members
        self.keys, self.problems, self._at = [], [], []
        for m in members:
            scalars = self._scalars(m, by_name)
            bounds = m.bounds
            for stratum, leader in m.follows.items():
                bounds = {**bounds, **{n: b for n, b in by_name[leader].bounds.items() if _stratum(n) == stratum}}
            problem = Problem(m.surface, counting(m.surface, m.readings), [s for _, s in scalars], bounds, None, cancel)
            problem.constants = constants_reading(m.readings)
            self.problems.append(problem)
            self.keys += [key for key in scalars if key not in self.keys]
            self._at.append(scalars)
        if not self.keys:
            raise InputError(tr("no parameter is free that does anything on these surfaces; free at least one"))
        if not any(p.readings for p in self.problems):
            raise InputError(tr("there is no active reading to solve from; import or activate one"))
        place, end = {key: i for i, key in enumerate(self.keys)}, len(self.keys)
        for i, problem in enumerate(self.problems):
            effects = np.arange(end, end + len(problem.effects))
            self._at[i] = np.concatenate([np.array([place[key] for key in self._at[i]], int), effects]).astype(int)
            end += effects.size
        self.low, self.high = np.full(end, -np.inf), np.full(end, np.inf)
        for problem, at in zip(self.problems, self._at, strict=True):
            self.low[at], self.high[at] = np.maximum(self.low[at], problem.low), np.minimum(self.high[at], problem.high)

    @staticmethod
    def _scalars(m, by_name):
        """[(owner, scalar)] that a member's readings may tell of: its own, and those of whom it follows."""
        out = [(m.name, s) for s in free_names(m.surface, applicable(m.surface, m.free))] if m.free else []
        for stratum, leader in m.follows.items():
            named = [n for n in by_name[leader].free if _stratum(n) == stratum]
            # What does nothing on this one is none of its readings' business.
            out += [(leader, s) for s in free_names(m.surface, applicable(m.surface, named))] if named else []
        return list(dict.fromkeys(out))

    def part(self, i, x):
        """The unknowns of one member's problem."""
        return x[self._at[i]]

    def start(self):
        x = np.zeros(self.low.size)
        for i in reversed(range(len(self.problems))):
            # Of what is shared the leader, who comes first, has the last word.
            x[self._at[i]] = self.problems[i].awake()
        return x

    def residuals(self, x):
        found = np.concatenate([p.residuals(self.part(i, x)) for i, p in enumerate(self.problems)])
        self._best = min(self._best, float(found @ found))
        if self._report:
            self._report(sum(p.evaluations for p in self.problems), self._best)
        return found

    def slopes(self, x, pool):
        blocks = [p.slopes(self.part(i, x), pool) for i, p in enumerate(self.problems)]
        out, row = np.zeros((sum(len(b) for b in blocks), x.size)), 0
        for block, at in zip(blocks, self._at, strict=True):
            out[row : row + len(block), at] = block
            row += len(block)
        return out


def _stratum(name):
    return scalar_owner(name)[0].stratum


def solve_together(members, report=None, cancel=None) -> dict[str, Solution]:
    """Solve for all that is free of linked specimens at once, from all their readings: {name: Solution}.

    members: leaders before those that follow them. Each Solution has the chi-square, the points and the time of the
    whole; its verdict is of its own readings. `Cancelled` where cancel (a threading.Event) is set; InputError where
    there is nothing to solve, or to solve from.
    """
    began = time.perf_counter()
    joint = _Joint(members, report, cancel)
    margin = 1e-7 * (joint.high - joint.low)
    start = np.clip(joint.start(), joint.low + margin, joint.high - margin)
    with ThreadPoolExecutor(max_workers=thread_count()) as pool:
        first = joint.residuals(start)
        descent = Descent(joint.residuals, lambda at: joint.slopes(at, pool), start, joint.low, joint.high)
        found = descent.found()
    width = joint.high - joint.low
    near = 1e-5 * width
    bound = (found.x - joint.low < near) | (joint.high - found.x < near)
    scaled = found.jac * width
    moving = (np.linalg.norm(scaled, axis=0) > 1e-6) & ~bound
    points = sum(p.points for p in joint.problems)
    freedom = max(1, points - int(moving.sum()))
    chi2 = [float(r @ r) / freedom for r in (first, found.fun)]
    errors, correlation = errors_of(scaled, moving)
    errors = errors * width * np.sqrt(max(1.0, chi2[1]))
    status = STOPPED if found.status == 0 else CONVERGED
    whole = {"chi2": chi2, "points": points, "status": status, "seconds": time.perf_counter() - began}
    return {
        m.name: _of_member(joint, i, found.x, (errors, correlation, moving, bound, scaled), whole)
        for i, m in enumerate(members)
    }


def _of_member(joint, i, x, sure, whole):
    """What was found of one of them."""
    problem, member, at = joint.problems[i], joint.members[i], joint._at[i]
    errors, correlation, moving, bound, scaled = sure
    n, inner = len(problem.scalars), joint.part(i, x)
    own = at[:n]
    values, stretch = problem.outward(inner), problem.stretch(inner)
    solved = tuple(
        Solved(s, float(v), float(e) if np.isfinite(e) else None, member.surface.scalar(s), bool(b))
        for s, v, e, b in zip(problem.scalars, values, errors[own] * stretch, bound[own], strict=True)
    )
    return Solution(
        surface=problem.at(inner), solved=solved, chi2_start=whole["chi2"][0], chi2_reduced=whole["chi2"][1],
        correlation=correlation[np.ix_(own, own)],
        undetermined=tuple(undetermined(problem.scalars, scaled[:, own], moving[own], bound[own])), minima=(),
        points=whole["points"], evaluations=problem.evaluations, seconds=whole["seconds"],
        verdict=Verdict(whole["status"], misfits(problem, inner)),
    )  # fmt: skip
