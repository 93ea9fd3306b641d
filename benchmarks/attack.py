"""Everything that is read, against spoilt input; saves, against kills; the command line, against chance.

Each input must be taken or refused with one sentence that names its file; a study survives every kill; a command ends
with 0, 1 or 2. `python -m benchmarks attack` takes long; `tests/test_attack.py` does a little of the same.
"""

import contextlib
import io
import json
import os
import random
import signal
import tempfile
import time
import zipfile
from pathlib import Path

import numpy as np

from photometra.cli import VERBS, main
from photometra.demo import make_study
from photometra.errors import InputError
from photometra.pictures import read_picture, write_exr, write_png
from photometra.shapes.meshfiles import kept_shape, read_mesh
from photometra.study import read_file, write_file
from photometra.tracing import environment_from

from . import fuzzing

DOCUMENTS, PICTURES, MESHES, TABLES, KILLS, CALLS = 25_000, 25_000, 25_000, 25_000, 600, 10_000
_NASTY = [
    None, True, -1, 0, 1e308, "", "x" * 300, [], {}, [[]], "../x", "<img src='file:///dev/zero'>", "\u202e[/b]\x1b[31m",
    "images/a.exr", 10**400, "roughness", [1, 2, 3],
]  # fmt: skip


def _spoilt(data, rng):
    """Bytes with a few things done to them."""
    data = bytearray(data)
    for _ in range(rng.randint(1, 8)):
        i = rng.randrange(len(data) + 1)
        act = rng.randrange(4)
        if act == 0 and i < len(data):
            data[i] = rng.randrange(256)
        elif act == 1:
            del data[i : i + rng.randint(1, 64)]
        elif act == 2:
            data[i:i] = bytes(rng.randrange(256) for _ in range(rng.randint(1, 16)))
        elif rng.random() < 0.1:
            del data[i:]
    return bytes(data)


def _told(act, path):
    """Whether an input was taken; AssertionError where its refusal is no one sentence."""
    try:
        act()
    except InputError as error:
        sentence = str(error)
        if not sentence or "\n" in sentence or Path(path).name not in sentence:
            raise AssertionError(f"{path}: no one sentence: {sentence!r}") from error
        return False
    return True


def _places(value, at=()):
    """Every place in a JSON value."""
    yield at
    items = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    for key, inner in items:
        yield from _places(inner, (*at, key))


def documents(count, seed=1):
    """How many of `count` spoilt studies are still taken: their bytes, or one value of their JSON."""
    rng, taken = random.Random(seed), 0
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "a.photometra"
        write_file(make_study(), path)
        whole = path.read_bytes()
        with zipfile.ZipFile(path) as archive:
            members = {name: archive.read(name) for name in archive.namelist()}
        text = members["study.json"]
        places = list(_places(json.loads(text)))
        for _ in range(count):
            if rng.random() < 0.4:
                path.write_bytes(_spoilt(whole, rng))
            else:
                *outer, last = rng.choice(places[1:])
                study = value = json.loads(text)
                for key in outer:
                    value = value[key]
                value[last] = rng.choice(_NASTY)
                with zipfile.ZipFile(path, "w", rng.choice([zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED])) as archive:
                    for name, data in members.items():
                        archive.writestr(name, json.dumps(study) if name == "study.json" else data)
            taken += _told(lambda: read_file(path), path)
    return taken


def pictures(count, seed=2):
    """How many of `count` spoilt pictures are still taken as an environment."""
    rng, taken = random.Random(seed), 0
    pixels = np.random.default_rng(seed).random((12, 24, 3))
    with tempfile.TemporaryDirectory() as folder:
        whole = []
        for name, write in (("a.exr", write_exr), ("a.png", write_png)):
            write(Path(folder) / name, pixels)
            whole.append((name, (Path(folder) / name).read_bytes()))
        whole.append(("a.hdr", _hdr(pixels)))
        for _ in range(count):
            name, data = rng.choice(whole)
            path = Path(folder) / name
            path.write_bytes(_spoilt(data, rng))
            taken += _told(lambda path=path: environment_from(read_picture(path)), path)
    return taken


def _hdr(pixels):
    """A picture as plain RGBE rows (Ward 1991)."""
    mantissa, exponent = np.frexp(pixels.max(axis=2))
    scaled = pixels * (mantissa * 256.0 / np.maximum(pixels.max(axis=2), 1e-9))[..., None]
    rows = np.concatenate([scaled, (exponent + 128.0)[..., None]], axis=2).astype(np.uint8)
    height, width, _ = pixels.shape
    return f"#?RADIANCE\nFORMAT=32-bit_rle_rgbe\n\n-Y {height} +X {width}\n".encode() + rows.tobytes()


def meshes(count, seed=3):
    """How many of `count` spoilt meshes can still stand in a booth."""
    import trimesh

    rng, taken = random.Random(seed), 0
    ball = trimesh.creation.icosphere(subdivisions=1, radius=10.0)
    whole = [(f"a.{kind}", ball.export(file_type=kind)) for kind in ("obj", "ply", "stl", "glb")]
    with tempfile.TemporaryDirectory() as folder:
        for _ in range(count):
            name, data = rng.choice(whole)
            path = Path(folder) / name
            path.write_bytes(_spoilt(data.encode() if isinstance(data, str) else data, rng))

            def stand(path=path):
                # Reading warns of numbers that overflow; what matters is what comes out.
                with np.errstate(all="ignore"):
                    kept_shape("a.glb", read_mesh(path).as_kept(10.0))

            taken += _told(stand, path)
    return taken


def kills(count, seed=9):
    """A program that saves without pause is killed at a chance moment, `count` times: the study opens each time."""
    demo, chance = make_study(), random.Random(seed)
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "a.photometra"
        write_file(demo, path)
        for _ in range(count):
            child = os.fork()
            if child == 0:
                n = 0
                while True:
                    n += 1
                    write_file(demo.with_size(0, 1.0 + n % 1000), path)
            time.sleep(chance.uniform(0.0, 0.04))
            os.kill(child, signal.SIGKILL)
            os.waitpid(child, 0)
            if read_file(path).specimens[1:] != demo.specimens[1:]:
                raise AssertionError("a kill damaged the study")
    return count


def calls(count, seed=4):
    """Chance calls of the command line: {exit code: how many}. AssertionError for another than 0, 1 and 2."""
    rng, codes = random.Random(seed), {}
    demo = make_study()
    verbs = [v for v in VERBS if v not in ("demo", "render", "proof", "fit", "solve")]
    words = [
        *(s.name for s in demo.specimens), "", "x", "-x", "--", "--json", "--as", "gloss", "materialx", "-o", "=",
        "a=b=c", "roughness", "roughness=0.3", "colour=#123", "colour=1,2", "ior=inf", "exposure=1e9", "shape=puck",
        "region=1,2", "glossmeter", "spectrophotometer", "--geometry", "45:0", "--set", "--size-mm", "0,5", "[/b]",
        "\u202e", "é" * 99, "reading.csv", "out.csv", "out.mtlx", "/dev/null", "none.csv", "brass-70-30", "a\nb",
        "film.thickness=400nm",
    ]  # fmt: skip
    with tempfile.TemporaryDirectory() as folder, contextlib.chdir(folder):
        Path("reading.csv").write_text("angle_deg,gloss_units\n20,400\n60,420\n")
        for i in range(count):
            if i % 200 == 0:
                write_file(demo, "a.photometra")
            arguments = [rng.choice(verbs), *(["a.photometra"] if rng.random() < 0.9 else [])]
            arguments += [rng.choice(demo.specimens).name] if rng.random() < 0.7 else []
            arguments += [rng.choice(words) for _ in range(rng.randint(0, 4))]
            out, err = io.StringIO(), io.StringIO()
            with contextlib.redirect_stdout(out), contextlib.redirect_stderr(err):
                code = main(arguments)
            codes[code] = codes.get(code, 0) + 1
            if code not in (0, 1, 2):
                raise AssertionError(f"{arguments}: ended with {code}: {err.getvalue()[-300:]}")
            if code == 2 and not err.getvalue().strip():
                raise AssertionError(f"{arguments}: refused without a word")
            if "--json" in arguments and code < 2 and out.getvalue():
                json.loads(out.getvalue())
        read_file("a.photometra")
    return codes


def run():
    for name, attack, count in (("studies", documents, DOCUMENTS), ("pictures", pictures, PICTURES),
                                ("meshes", meshes, MESHES)):  # fmt: skip
        began = time.perf_counter()
        taken = attack(count)
        yield f"attack: {count} spoilt {name}, {taken} still taken, none broke it, {time.perf_counter() - began:.0f} s"
    taken, refused, slowest, _ = fuzzing.tried(TABLES)
    yield f"attack: {TABLES} spoilt tables, {taken} still taken, {refused} refused, slowest {1000 * slowest:.0f} ms"
    slowest, name, peak = fuzzing.large()
    yield f"attack: texts of 16 MB, slowest {slowest:.1f} s ({name}), most memory {peak:.0f} MB"
    yield f"attack: {kills(KILLS)} kills in the middle of saving, no study lost"
    yield f"attack: {CALLS} calls of the command line, by exit code {calls(CALLS)}"
