"""Which way a BRDF's directions are counted, as far as its numbers show."""

import numpy as np

_OBLIQUE_DEG, _IN_PLANE, _TIMES, _FEWEST = (20.0, 70.0), 0.7, 3.0, 2


def sends_back(columns) -> bool:
    """Whether most light goes back to where it came from, as in tables that count from the mirror direction.

    columns: of a lobe or a BRDF table. Of the largest values in the plane of incidence, the one on the lamp's side must
    be three times the one on the mirror's side; a retroreflector does so, and hardly anything else.
    """
    incidence, view, brdf = (np.asarray(columns[c], float) for c in ("incidence_deg", "view_deg", "brdf_per_sr"))
    # At 180 degrees of azimuth, as at positive view angles, lies the mirror direction.
    across = -np.cos(np.radians(columns["azimuth_deg"])) if "azimuth_deg" in columns else np.sign(view)
    oblique = (incidence > _OBLIQUE_DEG[0]) & (incidence < _OBLIQUE_DEG[1]) & np.isfinite(brdf)
    away, back = brdf[oblique & (across > _IN_PLANE)], brdf[oblique & (across < -_IN_PLANE)]
    return min(away.size, back.size) >= _FEWEST and bool(back.max() > _TIMES * away.max())
