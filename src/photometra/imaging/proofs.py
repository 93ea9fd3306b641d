"""A proof of a specimen as it stands: what it is, how it agrees, and its picture as the bytes of an EXR."""

from datetime import datetime
from uuid import uuid4

from ..pictures import encoded_exr
from ..study import Proof, Specimen, Study

DENOISED = "denoised"
"""The layer of a proof's picture that is looked at."""


def proof_of(study: Study, specimen: Specimen, linear, agreements, note="", shown=None) -> tuple[Proof, bytes]:
    """A proof of a specimen with a scene-linear picture (h, w, 3) of it; agreements: of its counting readings.

    shown: the same picture denoised, for looking at alone.
    """
    n = 1 + sum(p.specimen == specimen.name for p in study.proofs)
    counted = [a for a in agreements if a.reading.active and not a.problem]
    told = tuple((a.reading.name, a.value, a.reading.tolerance) for a in counted)
    date = datetime.now().strftime("%Y-%m-%d %H:%M")
    picture = f"images/proof-{uuid4().hex[:12]}.exr"
    proof = Proof(f"Proof {n}", specimen.name, specimen.surface, picture, dict(specimen.sigmas), told, note, date)
    return proof, encoded_exr(linear, None if shown is None else {DENOISED: shown})
