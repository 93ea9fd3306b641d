"""Paint the environments that ship with the application: lat-long, linear Rec.709, half float.

    python tools/make_environments.py

`lantern-room` is the glazed lantern of Harrow Skerry on a bright, broken day: sixteen tall panes between dark
mullions, sea and sky beyond, a low white wall, a dark dome and boards underfoot. `overcast` is an even sky, `window`
a white room with one window, `lamp-row` a workshop under seven lamps.
"""

from pathlib import Path

import numpy as np

from photometra.pictures import write_exr

OUT = Path(__file__).resolve().parent.parent / "src/photometra/imaging/environments"
WIDTH, HEIGHT, FINER = 1024, 512, 3


def _smooth(edge0, edge1, x):
    t = np.clip((x - edge0) / (edge1 - edge0), 0.0, 1.0)
    return t * t * (3.0 - 2.0 * t)


def _directions():
    v = (np.arange(HEIGHT * FINER) + 0.5) / (HEIGHT * FINER)
    u = (np.arange(WIDTH * FINER) + 0.5) / (WIDTH * FINER)
    elevation = 90.0 - 180.0 * v[:, None] + 0.0 * u[None]
    azimuth = 360.0 * u[None] - 180.0 + 0.0 * v[:, None]
    return azimuth, elevation


def _blend(a, b, t):
    return a * (1.0 - t[..., None]) + np.asarray(b, np.float32) * t[..., None]


def _clouds(azimuth, elevation, rng):
    """Soft banks: a few octaves of noise that closes on itself around the horizon."""
    total = np.zeros_like(azimuth)
    a = np.radians(azimuth)
    for octave in range(1, 6):
        for _ in range(4):
            turns = rng.integers(1, 3) * octave
            tilt = rng.normal(0.0, 0.16 * octave)
            total += np.cos(turns * a + tilt * elevation + rng.uniform(0, 2 * np.pi)) / octave**1.2
    return _smooth(-0.5, 3.5, total)


def lantern_room():
    rng = np.random.default_rng(7)
    azimuth, elevation = _directions()
    up = _smooth(0.0, 55.0, elevation)
    sky = _blend(np.broadcast_to(np.float32([1.05, 1.12, 1.2]), (*azimuth.shape, 3)), [0.34, 0.52, 0.95], up)
    sky = _blend(sky, [1.9, 1.85, 1.78], 0.65 * _clouds(azimuth, elevation, rng))
    sun = np.hypot((azimuth - 52.0) * np.cos(np.radians(34.0)), elevation - 34.0)
    for size, gain in ((3.2, 95.0), (9.0, 6.0), (26.0, 1.1)):
        sky = sky + gain * np.exp(-((sun / size) ** 2))[..., None] * np.float32([1.0, 0.93, 0.82])
    sea = _blend(
        np.broadcast_to(np.float32([0.62, 0.7, 0.74]), sky.shape),
        [0.1, 0.17, 0.2],
        _smooth(0, -22, elevation),
    )
    glitter = np.exp(-(((azimuth - 52.0) / 14.0) ** 2)) * _smooth(-16.0, -1.0, elevation)
    sea = sea + glitter[..., None] * np.float32([2.0, 1.85, 1.6])
    beyond = np.where((elevation > 0.0)[..., None], sky, sea)

    # Sixteen panes; every second mullion is a post, and one slender bar crosses them.
    pane = 360.0 / 16.0
    offset = np.abs((azimuth / pane + 0.5) % 1.0 - 0.5) * pane
    post = np.where(np.floor(azimuth / pane + 0.5) % 2 == 0, 2.1, 0.9)
    bars = 1.0 - _smooth(post - 0.35, post, offset)
    bars = np.maximum(bars, 1.0 - _smooth(0.35, 0.6, np.abs(elevation - 17.0)))
    iron = np.float32([0.032, 0.034, 0.036])
    picture = _blend(beyond, iron, bars)

    dome = _smooth(47.0, 48.2, elevation)
    ribs = 0.6 + 0.4 * _smooth(0.3, 1.4, offset)
    dome_tint = np.float32([0.11, 0.105, 0.1]) * (0.7 + 0.9 * _smooth(90.0, 48.0, elevation))[..., None]
    picture = picture * (1 - dome[..., None]) + dome_tint * ribs[..., None] * dome[..., None]
    vent = _smooth(79.0, 80.5, elevation)
    picture = _blend(picture, [3.4, 3.2, 2.9], vent)

    wall = _smooth(-17.0, -18.0, elevation)
    sill = np.float32([0.5, 0.49, 0.47]) * (0.5 + 0.5 * _smooth(-46.0, -18.0, elevation))[..., None]
    picture = picture * (1 - wall[..., None]) + sill * wall[..., None]
    boards = _smooth(-44.0, -47.0, elevation)
    seams = 0.75 + 0.25 * _smooth(0.0, 0.6, np.abs((azimuth / 6.0) % 1.0 - 0.5) * 6.0)
    floor = np.float32([0.16, 0.115, 0.08]) * seams[..., None]
    picture = picture * (1 - boards[..., None]) + floor * boards[..., None]
    return picture


def overcast():
    _, elevation = _directions()
    sky = 0.35 + 0.95 * _smooth(-8.0, 90.0, elevation)
    ground = 0.22 + 0.13 * _smooth(-90.0, 0.0, elevation)
    level = np.where(elevation > -2.0, sky, ground)
    return level[..., None] * np.float32([0.97, 1.0, 1.05])


def window():
    """A whitewashed room with one tall window of twelve panes, the sky behind it, and little light from elsewhere."""
    azimuth, elevation = _directions()
    room = 0.035 + 0.03 * _smooth(-90.0, 60.0, elevation) + 0.05 * _smooth(140.0, 20.0, np.abs(azimuth + 55.0))
    picture = room[..., None] * np.float32([1.0, 0.97, 0.92])
    floor = _smooth(-24.0, -34.0, elevation)
    picture = _blend(picture, [0.03, 0.024, 0.018], floor)
    # The opening, 44 degrees wide and 56 high, in three columns and four rows of panes.
    x, y = (azimuth + 55.0) / 22.0, (elevation - 18.0) / 28.0
    inside = _smooth(1.0, 0.99, np.abs(x)) * _smooth(1.0, 0.99, np.abs(y))
    across, up = np.abs((1.5 * x) % 1.0 - 0.5), np.abs((2.0 * y) % 1.0 - 0.5)
    panes = inside * _smooth(0.02, 0.045, 0.5 - np.maximum(across, up))
    sky = (9.0 + 4.0 * _smooth(-1.0, 1.0, y))[..., None] * np.float32([0.94, 1.0, 1.12])
    frame = inside[..., None] * np.float32([0.4, 0.39, 0.37])
    picture = picture * (1.0 - inside[..., None]) + frame
    return picture * (1.0 - panes[..., None]) + sky * panes[..., None]


def lamp_row():
    """A dim workshop under a row of seven round lamps, for judging highlights."""
    azimuth, elevation = _directions()
    picture = (0.05 + 0.05 * _smooth(-60.0, 40.0, elevation))[..., None] * np.float32([1.0, 0.96, 0.9])
    a, e = np.radians(azimuth), np.radians(elevation)
    towards = np.stack([np.cos(e) * np.sin(a), np.sin(e), -np.cos(e) * np.cos(a)], axis=-1)
    for i in range(7):
        lamp = np.float32([(i - 3) * 0.55, 1.35, 0.35])
        lamp /= np.linalg.norm(lamp)
        off = np.degrees(np.arccos(np.clip(towards @ lamp, -1.0, 1.0)))
        picture = picture + (70.0 * _smooth(3.4, 3.0, off) + 0.8 * np.exp(-((off / 9.0) ** 2)))[..., None] * np.float32(
            [1.0, 0.9, 0.76]
        )
    return picture


def main():
    painters = {"lantern-room": lantern_room, "overcast": overcast, "window": window, "lamp-row": lamp_row}
    for name, paint in painters.items():
        fine = paint().reshape(HEIGHT, FINER, WIDTH, FINER, 3)
        write_exr(OUT / f"{name}.exr", fine.mean(axis=(1, 3)).astype(np.float32), half=True)


if __name__ == "__main__":
    main()
