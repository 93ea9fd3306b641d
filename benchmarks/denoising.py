"""How long after a change until a picture can be judged: the denoised one against what endless samples would show."""

import time

import numpy as np

from .figures import Figure

_SIDE, _MANY, _AROUND = 512, 192, 9
_AIMS_S = {"Lens prism": 3.0, "Ruby signal glass": 3.0, "Beeswax seal block": 3.0}
_MOST_SAMPLES = 64


def _seconds(compiled, scene, samples):
    """From nothing to the denoised picture."""
    from photometra.imaging.denoising import clean_picture, quality_for
    from photometra.tracing import Rendering

    began = time.perf_counter()
    rendering = Rendering(compiled, scene, _SIDE, _SIDE)
    rendering.add(samples)
    clean_picture(rendering, quality_for(rendering))
    return time.perf_counter() - began


def mean_off(shown, halves):
    """Mean ΔE2000 of a balanced picture from what endless samples would show, by two pictures of fewer, that share
    none with it nor with each other.

    Their own noise is no fault of the picture: what is off squared is the mean of its squared differences from both,
    less half of theirs from each other (as of distances, which small differences of colour are), here about a pixel.
    """
    from scipy.ndimage import uniform_filter

    from photometra.imaging.comparing import delta_e_map

    first, second, own = (delta_e_map(*pair) for pair in ((shown, halves[0]), (shown, halves[1]), halves))
    squared = uniform_filter(0.5 * (first**2 + second**2 - own**2), _AROUND)
    return float(np.sqrt(np.maximum(squared, 0.0)).mean())


def run():
    from photometra.demo.making import study_without_photograph
    from photometra.imaging.booths import compiled_in, display_of, scene_of
    from photometra.imaging.denoising import clean_picture, quality_for
    from photometra.tracing import Rendering

    study = study_without_photograph()
    display = display_of(study.booth)
    for specimen in study.specimens:
        scene = scene_of(study, specimen)
        compiled = compiled_in(scene, specimen)
        halves = []
        for seed in (8, 9):
            many = Rendering(compiled, scene, _SIDE, _SIDE, seed=seed)
            many.add(_MANY)
            halves.append(display.balanced(many.picture()))
        few, told, samples = Rendering(compiled, scene, _SIDE, _SIDE), [], 1
        while True:
            few.add(samples - few.samples)
            clean = clean_picture(few, quality_for(few))
            told.append((samples, *(mean_off(display.balanced(p), halves) for p in (few.picture(), clean))))
            if told[-1][2] < 1.0 or samples >= _MOST_SAMPLES:
                break
            samples *= 2
        taken = _seconds(compiled, scene, samples)
        course = ", ".join(f"{n}: {raw:.1f} → {clean:.2f}" for n, raw, clean in told)
        aim = _AIMS_S.get(specimen.name, 1.0)
        print(f"# {specimen.name}: mean ΔE2000 by samples, raw → denoised: {course}", flush=True)
        taken = taken if told[-1][2] < 1.0 else float("inf")
        yield Figure(f"{specimen.name}: 512² to a mean ΔE2000 below 1", taken, "s", aim)
