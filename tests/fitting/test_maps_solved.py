"""Maps are calibrated like everything else: both ends of a range from noisy readings in files."""

import numpy as np

from photometra.fitting import solve
from photometra.instruments import constants_reading, measured
from photometra.maps import Generator, Layer, Map
from photometra.readings import read_file
from photometra.readings.files import write_file
from photometra.surface import Surface

SCRATCHES = (Layer(Generator("scratches", 9, (("density", 30.0),))),)
TRUE = Surface({"metalness": 1.0, "constants": "brass-70-30", "roughness": Map(SCRATCHES, 0.08, 0.31)})


def noisy(key, geometry, rng, path):
    reading = measured(key, TRUE, geometry)
    (column,) = reading.kind.values
    values, sigma = reading.columns[column], reading.sigma[column]
    write_file(
        reading.with_changes(columns={**reading.columns, column: values + sigma * rng.normal(size=sigma.size)}), path
    )
    return read_file(path)


def test_scratches_of_known_shape_on_brass(tmp_path):
    rng = np.random.default_rng(1871)
    asked = (("glossmeter", ""), ("spectrophotometer", "de:8"))
    readings = [noisy(k, g, rng, tmp_path / f"{k}.csv") for k, g in asked]
    assert constants_reading(readings) is None
    begin = TRUE.with_scalars({"roughness.low": 0.2, "roughness.high": 0.24})
    found = {s.name: s for s in solve(begin, readings, ["roughness"]).solved}
    for name, true in (("roughness.low", 0.08), ("roughness.high", 0.31)):
        assert abs(found[name].value - true) < 2.5 * found[name].sigma and found[name].sigma < 0.02


def test_where_only_the_mean_is_known_the_ends_are_not_determined():
    # A colour enters a reflectance nearly by its mean alone.
    surface = Surface({"colour": Map(SCRATCHES, (0.3, 0.2, 0.1), (0.5, 0.4, 0.3))})
    readings = [measured("spectrophotometer", surface, "di:8")]
    solution = solve(surface.with_scalars({"colour.low.r": 0.25}), readings, ["colour"], keep_rgb=True)
    found = {s.name: s for s in solution.solved}
    assert all(s.sigma is None or s.sigma > 0.03 for s in found.values())
    # With one end held the other is told.
    held = solve(surface.with_scalars({"colour.low.r": 0.25}), readings, ["colour.low"], keep_rgb=True)
    assert all(s.sigma is not None and s.sigma < 0.03 for s in held.solved)
