"""Take the demo's photograph anew: the hidden rail in the demo's booth, by a made-up camera with a noisy sensor.

python tools/make_demo_photograph.py
"""

from dataclasses import replace
from pathlib import Path

import numpy as np
import OpenImageIO as oiio

import photometra.demo
from photometra.demo.camera import taken
from photometra.demo.making import PHOTOGRAPH, PHOTOGRAPHED, study_without_photograph
from photometra.demo.samples import SAMPLES
from photometra.imaging.booths import compiled_in, scene_of
from photometra.tracing import Rendering

WIDTH, HEIGHT, SAMPLES_EACH = 720, 480, 256


def main():
    study = study_without_photograph()
    truth = next(s.truth for s in SAMPLES if s.name == PHOTOGRAPHED)
    specimen = replace(study.specimen(PHOTOGRAPHED), surface=truth)
    scene = scene_of(study, specimen)
    rendering = Rendering(compiled_in(scene, specimen), scene, WIDTH, HEIGHT, seed=1877)
    while rendering.samples < SAMPLES_EACH:
        rendering.add(16)
        print(f"{rendering.samples} of {SAMPLES_EACH} samples", flush=True)
    shown = taken(rendering.picture(), np.random.default_rng(1878))
    path = Path(photometra.demo.__file__).with_name(PHOTOGRAPH)
    spec = oiio.ImageSpec(WIDTH, HEIGHT, 3, "uint8")
    spec.attribute("Compression", "jpeg:95")
    out = oiio.ImageOutput.create(str(path))
    if not out.open(str(path), spec) or not out.write_image(shown):
        raise SystemExit(f"{path}: could not be written ({oiio.geterror()})")
    out.close()
    print(f"wrote {path}, {path.stat().st_size // 1000} kB")


if __name__ == "__main__":
    main()
