"""What an instrument reads of a surface that varies: the mean over its members of what truly adds up."""

from ..colour import lab_to_xyz, xyz_to_lab
from . import polarised

_NONE = 1e-7
"""Below this share a member is left out."""


def mean_read(asked, shares, members, read):
    """The mean of `read(surface, compiled)`, (value columns, n), over members [(surface, compiled)] with shares.

    Light adds up; a colour is that of the light together, and an ellipsometer compares sums of power and coherence.
    """
    seen = [(share, member) for share, member in zip(shares, members, strict=True) if abs(share) > _NONE]
    whole = sum(share for share, _ in seen)
    if asked.kind_key == "colour":
        how = asked.illuminant, asked.observer
        xyz = sum(share / whole * lab_to_xyz(read(*member).T, *how) for share, member in seen)
        return xyz_to_lab(xyz, *how).T
    if asked.kind_key == "ellipsometry":
        at = asked["angle_deg"], asked["wavelength_nm"]
        return polarised.told(sum(share * polarised.coherence(compiled, *at) for share, (_, compiled) in seen))
    return sum(share / whole * read(*member) for share, member in seen)
