"""Residuals, agreement, and the solver."""

from .advice import Advice, Sensitivities, next_readings, sensitivities, tied
from .agreement import Agreement, agreement, agreements, colour_of, misfit, worst_misfit
from .joint import Member, members_of, solve_together
from .minima import Minimum, told
from .problem import Cancelled, applicable, free_names
from .ranking import Closeness, closest_tables, film_misfits, reflectance_reading
from .sense import evidence_findings
from .solver import Solution, Solved, solve
from .uncertainty import Undetermined
from .verdict import CONVERGED, STOPPED, STUCK, Misfit, Verdict

__all__ = [
    "CONVERGED",
    "STOPPED",
    "STUCK",
    "Advice",
    "Agreement",
    "Cancelled",
    "Closeness",
    "Member",
    "Minimum",
    "Misfit",
    "Sensitivities",
    "Solution",
    "Solved",
    "Undetermined",
    "Verdict",
    "agreement",
    "agreements",
    "applicable",
    "closest_tables",
    "colour_of",
    "evidence_findings",
    "film_misfits",
    "free_names",
    "members_of",
    "misfit",
    "next_readings",
    "reflectance_reading",
    "sensitivities",
    "solve",
    "solve_together",
    "tied",
    "told",
    "worst_misfit",
]
