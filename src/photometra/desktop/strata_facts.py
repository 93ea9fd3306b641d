"""What the right-hand panel tells of a specimen beyond its values: worked out by the kernels, so never on the window's
own thread, which would wait while they are loaded or compiled."""

from dataclasses import dataclass

import numpy as np

from ..colour import reflectance_to_xyz, xyz_to_linear_srgb
from ..colour.observers import WAVELENGTHS
from ..errors import InputError
from ..imaging.booths import standing_findings
from ..instruments import InnerSplit, Split, constants_reading, inner_split, light_split
from ..optics import fresnel_conductor
from ..optics.interface import colour_leaving
from ..study import Specimen
from ..surface.checks import Finding
from ..surface.compile import compile_surface, constants_of


@dataclass(frozen=True, eq=False)
class StrataFacts:
    """Of a specimen: where the light in the section goes, from outside and from within; the colour of its constants
    facing us; what leaves of its body's colour (both linear sRGB); what its shape makes doubtful."""

    specimen: Specimen
    split: Split | None
    inner: InnerSplit | None
    facing: np.ndarray | None
    leaving: np.ndarray
    findings: list[Finding]

    def facing_of(self, specimen):
        """The colour of a specimen's constants as far as is known: the values here may be a moment older."""
        return self.facing if _constants(self.specimen) == _constants(specimen) else None

    def findings_of(self, specimen):
        """What a specimen's shape makes doubtful, as far as is known."""
        return self.findings if _standing(self.specimen) == _standing(specimen) else []


def _constants(specimen):
    return specimen.name, specimen.surface["constants"]


def _standing(specimen):
    return specimen.name, specimen.shape, specimen.assigned


def strata_facts(specimen: Specimen, meshes, angle) -> StrataFacts:
    """All of it; angle of the section's lamp in degrees, above 90 within."""
    surface, constants = specimen.surface.as_measured(), constants_reading(specimen.readings)
    split = inner = facing = None
    try:
        compiled = compile_surface(surface, constants)
        if specimen.surface["constants"]:
            spectrum = fresnel_conductor(1.0, *constants_of(specimen.surface, constants))
            facing = xyz_to_linear_srgb(reflectance_to_xyz(WAVELENGTHS, spectrum))
    except InputError:
        pass  # Its constants are of a reading that is gone, as its row says.
    else:
        inner = inner_split(compiled, 180.0 - angle) if angle > 90.0 else None
        split = light_split(surface, compiled, min(angle, 180.0 - angle), specimen.size_mm, constants)
    leaving = colour_leaving(specimen.surface.rgb("colour"), specimen.surface["ior"])
    return StrataFacts(specimen, split, inner, facing, leaving, standing_findings(specimen, meshes))
