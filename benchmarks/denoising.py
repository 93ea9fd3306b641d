"""How long after a change until a picture can be judged: the denoised one against many samples that share none."""

import time

from .figures import Figure

_SIDE, _SIDE_TIMED, _MANY = 256, 512, 4096
_AIMS_S = {"Lens prism": 3.0, "Ruby signal glass": 3.0, "Beeswax seal block": 3.0}
_MOST_SAMPLES = 64


def _seconds(compiled, scene, samples):
    """From nothing to the denoised picture at full size."""
    from photometra.imaging.denoising import FAST, HIGH, clean_picture
    from photometra.tracing import Rendering

    began = time.perf_counter()
    rendering = Rendering(compiled, scene, _SIDE_TIMED, _SIDE_TIMED)
    rendering.add(samples)
    clean_picture(rendering, FAST if samples < 16 else HIGH)
    return time.perf_counter() - began


def run():
    from photometra.demo.making import study_without_photograph
    from photometra.imaging.booths import compiled_in, display_of, scene_of
    from photometra.imaging.comparing import delta_e_map
    from photometra.imaging.denoising import FAST, HIGH, clean_picture
    from photometra.tracing import Rendering

    study = study_without_photograph()
    display = display_of(study.booth)
    for specimen in study.specimens:
        scene = scene_of(study, specimen)
        compiled = compiled_in(scene, specimen)
        many = Rendering(compiled, scene, _SIDE, _SIDE, seed=9)
        many.add(_MANY)
        target = display.balanced(many.picture())
        few, told, samples = Rendering(compiled, scene, _SIDE, _SIDE), [], 1
        while True:
            few.add(samples - few.samples)
            clean = clean_picture(few, FAST if samples < 16 else HIGH)
            off = [float(delta_e_map(display.balanced(p), target).mean()) for p in (few.picture(), clean)]
            told.append((samples, *off))
            if off[1] < 1.0 or samples >= _MOST_SAMPLES:
                break
            samples *= 2
        taken = _seconds(compiled, scene, samples)
        course = ", ".join(f"{n}: {raw:.1f} → {clean:.2f}" for n, raw, clean in told)
        aim = _AIMS_S.get(specimen.name, 1.0)
        print(f"# {specimen.name}: mean ΔE2000 by samples, raw → denoised: {course}", flush=True)
        taken = taken if told[-1][2] < 1.0 else float("inf")
        yield Figure(f"{specimen.name}: 512² to a mean ΔE2000 below 1", taken, "s", aim)
