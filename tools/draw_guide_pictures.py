"""Draw the guide's pictures, `src/photometra/guide/pictures/*.svg`: one for each instrument and stratum.

Colours are those of the light theme; the window puts its own theme's in their place.
"""

import math
from pathlib import Path

OUT = Path(__file__).parents[1] / "src" / "photometra" / "guide" / "pictures"
WIDE, HIGH = 560, 190
INK, QUIET, LINE, FAINT = "#1c1c1c", "#5c5c5c", "#b4b4b4", "#cbcbcb"
IN, OUT_, GONE = "#1f7a68", "#9a7410", "#a23b2a"
"""Light that comes, light that is read, light that is lost."""


def _path(places):
    return " ".join(f"{'M' if i == 0 else 'L'}{x:.1f} {y:.1f}" for i, (x, y) in enumerate(places))


class Drawing:
    """Strokes and words on a canvas; y runs down."""

    def __init__(self, title):
        self.title, self.parts = title, []

    def add(self, text):
        self.parts.append(text)

    def line(self, *places, ink=QUIET, wide=1.4, dashed="", fill="none"):
        path = _path(places)
        dash = f' stroke-dasharray="{dashed}"' if dashed else ""
        self.add(f'<path d="{path}" fill="{fill}" stroke="{ink}" stroke-width="{wide}" stroke-linejoin="round"{dash}/>')

    def ray(self, x0, y0, x1, y1, ink=IN, wide=1.8, dashed="", head=True):
        self.line((x0, y0), (x1, y1), ink=ink, wide=wide, dashed=dashed)
        if head:
            a, s = math.atan2(y1 - y0, x1 - x0), 7.0
            left, right = ((x1 - s * math.cos(a + t), y1 - s * math.sin(a + t)) for t in (0.42, -0.42))
            self.line(left, (x1, y1), right, ink=ink, wide=0.5, fill=ink)

    def towards(self, x, y, degrees, long, ink=IN, comes=False, **more):
        """A ray to or from a place, degrees from the upright, to the right."""
        a = math.radians(degrees)
        there = x + long * math.sin(a), y - long * math.cos(a)
        self.ray(*there, x, y, ink, **more) if comes else self.ray(x, y, *there, ink, **more)
        return there

    def words(self, x, y, text, ink=INK, size=12, at="middle"):
        if not text:
            return
        self.add(f'<text x="{x:.1f}" y="{y:.1f}" fill="{ink}" font-size="{size}" text-anchor="{at}">{text}</text>')

    def box(self, x, y, wide, high, ink=QUIET, fill="none", round_=2.0, opacity=1.0):
        self.add(
            f'<rect x="{x:.1f}" y="{y:.1f}" width="{wide:.1f}" height="{high:.1f}" rx="{round_}" fill="{fill}" '
            f'fill-opacity="{opacity}" stroke="{ink}" stroke-width="1.2"/>'
        )

    def circle(self, x, y, r, ink=QUIET, fill="none", wide=1.4, opacity=1.0):
        self.add(
            f'<circle cx="{x:.1f}" cy="{y:.1f}" r="{r:.1f}" fill="{fill}" fill-opacity="{opacity}" stroke="{ink}" '
            f'stroke-width="{wide}"/>'
        )

    def arc(self, x, y, r, first, last, ink=QUIET, wide=1.1, dashed=""):
        """About a place, from one angle to another, degrees from the upright."""
        turns = [math.radians(first + (last - first) * i / 40) for i in range(41)]
        self.line(*((x + r * math.sin(t), y - r * math.cos(t)) for t in turns), ink=ink, wide=wide, dashed=dashed)

    def sample(self, x, y, wide, high=26, ink=QUIET):
        self.box(x, y, wide, high, ink, FAINT, 1.0, 0.7)
        for i in range(int(wide // 9)):
            self.line((x + 9 * i + 2, y + high - 3), (x + 9 * i + 9, y + high - 10), ink=LINE, wide=0.9)

    def curve(self, x, y, wide, high, values, ink=OUT_, axes=("", "")):
        """Values 0..1 over a frame whose lower left corner is at x, y."""
        self.line((x, y - high - 4), (x, y), (x + wide + 4, y), ink=LINE, wide=1.1)
        n = len(values) - 1
        self.line(*((x + wide * i / n, y - high * v) for i, v in enumerate(values)), ink=ink, wide=2.0)
        self.words(x + wide / 2, y + 15, axes[0], QUIET, 11)
        self.words(x - 2, y - high - 9, axes[1], QUIET, 11, "start")

    def lobe(self, x, y, degrees, long, wide, ink=OUT_):
        """A lobe about a direction: its length there, and its width in degrees."""
        places = [(x, y)]
        for off in range(-90, 91):
            r = long * math.exp(-0.5 * (off / wide) ** 2)
            a = math.radians(degrees + off)
            if abs(degrees + off) < 90.0:
                places.append((x + r * math.sin(a), y - r * math.cos(a)))
        self.add(
            f'<path d="{_path(places)} Z" '
            f'fill="{ink}" fill-opacity="0.18" stroke="{ink}" stroke-width="1.6" stroke-linejoin="round"/>'
        )

    def text(self):
        return (
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDE}" height="{HIGH}" viewBox="0 0 {WIDE} {HIGH}" '
            f'font-family="Inter, sans-serif">\n<title>{self.title}</title>\n' + "\n".join(self.parts) + "\n</svg>\n"
        )


def spectrophotometer():
    d = Drawing(
        "Left: a sphere lights the sample from all around, and it is looked at from 8°. Right: lit at "
        "45°, looked at from above."
    )
    x, y = 140, 138
    d.circle(x, y - 62, 62)
    d.sample(x - 50, y, 100)
    d.line((x - 14, y), (x + 14, y), ink=INK, wide=3)
    for a in (-70, -45, -22, 40, 62):
        d.towards(x, y - 2, a, 122 * math.cos(math.radians(a)), IN, comes=True, wide=1.2)
    d.towards(x, y - 2, 8, 130, OUT_, wide=2.2)
    d.words(x + 44, 14, "8°", OUT_)
    a = math.radians(-8)
    d.line((x + 124 * math.sin(a) - 9, y - 124 * math.cos(a)), (x + 124 * math.sin(a) + 7, y - 124 * math.cos(a) - 1),
           ink=GONE, wide=4)  # fmt: skip
    d.words(x - 34, 12, "trap (de:8)", GONE, 11, "end")
    d.words(x, 182, "di:8 and de:8", QUIET)
    x = 420
    d.sample(x - 60, y, 120)
    d.towards(x, y, -45, 118, IN, comes=True)
    d.towards(x, y, 45, 118, IN, comes=True)
    d.towards(x, y, 0, 118, OUT_, wide=2.2)
    d.arc(x, y, 40, -45, 0)
    d.words(x - 26, y - 44, "45°", QUIET, 11)
    d.words(x, 182, "45:0", QUIET)
    return d


def colorimeter():
    d = Drawing("A spectrum seen through three curves, those of the standard observer, becomes three numbers.")
    bell = lambda m, s, h=1.0: [h * math.exp(-0.5 * ((i / 40 - m) / s) ** 2) for i in range(41)]  # noqa: E731
    d.curve(30, 140, 130, 100, [0.25 + 0.5 / (1 + math.exp(-(i - 22) / 3)) for i in range(41)],
            axes=("wavelength", "reflectance"))  # fmt: skip
    d.words(196, 96, "×", INK, 20)
    x = [0.36 * math.exp(-0.5 * ((i / 40 - 0.15) / 0.06) ** 2) + math.exp(-0.5 * ((i / 40 - 0.55) / 0.1) ** 2)
         for i in range(41)]  # fmt: skip
    for values, ink in ((x, GONE), (bell(0.45, 0.12), IN), (bell(0.17, 0.07, 0.95), QUIET)):
        d.curve(226, 140, 130, 100, values, ink)
    d.words(291, 155, "wavelength", QUIET, 11)
    d.words(224, 27, "x, y, z of the observer", QUIET, 11, "start")
    d.ray(380, 90, 424, 90, QUIET)
    for i, (name, value) in enumerate((("L*", "52.1"), ("a*", "8.3"), ("b*", "24.7"))):
        d.words(448, 66 + 28 * i, name, QUIET, 14, "start")
        d.words(520, 66 + 28 * i, value, INK, 15, "end")
    return d


def ellipsometer():
    d = Drawing("Polarised light is reflected aslant; an analyser finds how p and s have changed against each other.")
    x, y = 280, 142
    d.sample(x - 120, y, 240)
    d.line((x, y), (x, 22), ink=LINE, dashed="4 4")
    left = d.towards(x, y, -62, 190, IN, comes=True)
    right = d.towards(x, y, 62, 190, OUT_)
    for (ex, ey), name, side in ((left, "polariser", -1), (right, "analyser", 1)):
        px, py = x + 0.62 * (ex - x), y + 0.62 * (ey - y)
        a = math.radians(side * 62)
        d.line((px - 16 * math.cos(a), py - 16 * math.sin(a)), (px + 16 * math.cos(a), py + 16 * math.sin(a)),
               ink=INK, wide=4)  # fmt: skip
        d.words(px + side * 6, py - 24, name, QUIET, 11)
    d.arc(x, y, 46, 0, 62)
    d.words(x + 36, y - 44, "65°, 75°", QUIET, 11, "start")
    d.ray(470, 96, 470, 60, OUT_, 1.6)
    d.words(480, 64, "p", OUT_, 13, "start")
    d.circle(470, 112, 6, OUT_)
    d.circle(470, 112, 1.6, OUT_, OUT_)
    d.words(484, 117, "s", OUT_, 13, "start")
    d.words(x, 184, "ψ: how much of p against s is left.  Δ: by how far p has fallen behind.", QUIET, 11)
    return d


def glossmeter():
    d = Drawing(
        "A lamp's image is thrown on the sample; receptors of stated apertures take what is reflected at "
        "the mirror angle: 20°, 60° and 85°."
    )
    x, y = 280, 140
    d.sample(x - 200, y, 400)
    d.line((x, y), (x, 18), ink=LINE, dashed="4 4")
    for angle, long, half in ((20, 122, 1.8), (60, 150, 3.6), (85, 190, 2.6)):
        d.towards(x, y - 1, -angle, long, IN, comes=True, wide=1.5)
        ends = [math.radians(angle + s * half) for s in (-1, 1)]
        d.line(*((x + long * math.sin(a), y - 1 - long * math.cos(a)) for a in ends), ink=INK, wide=4)
        for a in ends:
            d.line((x, y - 1), (x + (long - 6) * math.sin(a), y - 1 - (long - 6) * math.cos(a)), ink=OUT_, wide=1.1)
        a = math.radians(angle)
        d.words(x + (long + 20) * math.sin(a), y - 1 - (long + 12) * math.cos(a) + 4, f"{angle}°", QUIET, 12)
    d.words(x, 184, "against black glass of index 1.567, which reads 100", QUIET, 11)
    return d


def goniophotometer():
    d = Drawing("Lit at 45°, looked at from every angle in the same plane: the lobe.")
    x, y = 280, 150
    d.sample(x - 150, y, 300)
    d.line((x, y), (x, 20), ink=LINE, dashed="4 4")
    d.lobe(x, y, 45, 124, 7)
    d.lobe(x, y, 45, 62, 22, IN)
    d.towards(x, y, -45, 138, IN, comes=True)
    d.arc(x, y, 140, -20, 84, QUIET, 1.1, "3 4")
    for a in (-10, 15, 30, 45, 60, 75):
        t = math.radians(a)
        d.circle(x + 140 * math.sin(t), y - 140 * math.cos(t), 4, QUIET, FAINT)
    d.words(430, 40, "peak: roughness", OUT_, 12, "start")
    d.words(430, 60, "foot: haze", IN, 12, "start")
    d.words(166, 54, "45°", QUIET)
    return d


def gonioreflectometer():
    d = Drawing("Light and view each have an angle from the normal; between their planes lies the azimuth.")
    x, y = 180, 138
    for i in range(5):
        r = 30 * (i + 1)
        d.add(f'<ellipse cx="{x}" cy="{y}" rx="{r}" ry="{r * 0.3:.1f}" fill="none" stroke="{LINE}" stroke-width="1"/>')
    d.arc(x, y, 150, -90, 90, LINE)
    d.line((x, y), (x, 8), ink=LINE, dashed="4 4")
    d.ray(x - 128, y - 84, x, y, IN)
    d.ray(x, y, x + 96, y - 100, OUT_)
    d.line((x, y), (x - 128, y + 20), ink=IN, wide=1.0, dashed="3 4")
    d.line((x, y), (x + 96, y + 30), ink=OUT_, wide=1.0, dashed="3 4")
    d.arc(x, y, 44, -57, 0)
    d.arc(x, y, 58, 0, 44)
    d.words(x - 26, y - 50, "θ", QUIET, 13)
    d.words(x + 30, y - 62, "θ", QUIET, 13)
    d.words(x - 18, y - 44, "i", QUIET, 9)
    d.words(x + 38, y - 56, "r", QUIET, 9)
    d.words(x, y + 32, "azimuth φ", QUIET, 12)
    for i, text in enumerate(("180°: view across from the light", "0°: view back at it", "90°: out of the plane")):
        d.words(362, 60 + 20 * i, text, QUIET, 11, "start")
    return d


def reflectometer():
    d = Drawing("Reflectance of s- and p-polarised light by angle of incidence; p vanishes at Brewster's angle.")
    n, s, p = 1.52, [], []
    for i in range(61):
        c = math.cos(math.radians(1.5 * i)) + 1e-9
        t = math.sqrt(1 - (1 - c * c) / (n * n))
        s.append(((c - n * t) / (c + n * t)) ** 2)
        p.append(((n * c - t) / (n * c + t)) ** 2)
    d.curve(250, 150, 260, 120, s, IN, ("angle of incidence", "reflectance"))
    d.curve(250, 150, 260, 120, p, OUT_)
    at = 250 + 260 * math.degrees(math.atan(n)) / 90.0
    d.line((at, 150), (at, 96), ink=GONE, dashed="3 3")
    d.words(at, 88, "Brewster: tan θ = n", GONE, 11)
    d.words(470, 66, "s", IN, 14)
    d.words(498, 138, "p", OUT_, 14)
    x, y = 110, 140
    d.sample(x - 80, y, 160)
    d.line((x, y), (x, 34), ink=LINE, dashed="4 4")
    d.towards(x, y, -52, 116, IN, comes=True)
    d.towards(x, y, 52, 116, OUT_)
    d.arc(x, y, 34, 0, 52)
    d.words(x + 20, y - 40, "θ", QUIET, 13)
    return d


def refractometer():
    d = Drawing(
        "Against a prism of high index light is reflected totally from a critical angle on: the edge "
        "between light and dark tells the index."
    )
    d.line((70, 130), (250, 130), (200, 40), (120, 40), (70, 130), ink=QUIET, fill=FAINT)
    d.words(160, 62, "prism", QUIET, 11)
    d.box(96, 131, 128, 16, QUIET, LINE, 1, 0.5)
    d.words(160, 166, "sample", QUIET, 11)
    d.ray(60, 60, 160, 129, IN)
    d.ray(160, 129, 262, 58, OUT_)
    d.ray(160, 129, 240, 141, GONE, 1.2, "4 3")
    d.arc(160, 129, 34, -56, 0)
    d.line((160, 129), (160, 74), ink=LINE, dashed="4 4")
    d.circle(400, 96, 62, QUIET, OUT_, 1.4, 0.28)
    d.add(f'<path d="M{400 - 62} 96 A62 62 0 0 0 {400 + 62} 96 Z" fill="{INK}" fill-opacity="0.55" stroke="none"/>')
    d.line((400 - 62, 96), (400 + 62, 96), ink=INK, wide=1.4)
    d.line((470, 96), (492, 96), ink=GONE, wide=2)
    d.words(498, 100, "n", GONE, 15, "start")
    d.words(400, 180, "what is seen", QUIET, 11)
    return d


def scatterprobe():
    d = Drawing("A spot is lit; what comes out is read at distances from it. How fast it falls is the mean free path.")
    x, y = 140, 110
    d.sample(x - 120, y, 240, 60)
    d.ray(x, 20, x, y - 1, IN, 2.2)
    for i, (dx, up) in enumerate(((16, 60), (36, 44), (60, 28), (88, 15))):
        for side in (-1, 1):
            d.ray(x + side * dx, y, x + side * dx, y - up, OUT_, 1.3 + 0.2 * (3 - i))
    for path in (((0, 0), (8, 20), (-6, 32), (14, 40), (30, 22), (36, 2)),
                 ((0, 0), (-12, 26), (-34, 34), (-58, 18), (-60, 2)),
                 ((0, 0), (4, 34), (26, 50), (62, 38), (86, 20), (88, 2))):  # fmt: skip
        d.line(*((x + px, y + py) for px, py in path), ink=IN, wide=1.0, dashed="2 2")
    d.curve(
        330, 148, 190, 118, [math.exp(-i / 9) for i in range(41)], OUT_, ("distance from the spot", "light that leaves")
    )
    d.words(430, 60, "slope: mean free path", QUIET, 11, "start")
    d.words(430, 78, "height: colour", QUIET, 11, "start")
    return d


def transmissometer():
    d = Drawing(
        "What goes straight through a slab is its regular transmittance; a sphere behind it collects the total."
    )
    y = 92
    d.ray(30, y, 168, y, IN, 2.4)
    d.box(170, y - 58, 40, 116, QUIET, FAINT, 1, 0.7)
    d.words(190, y + 78, "slab", QUIET, 11)
    d.line((170, y + 62), (210, y + 62), ink=QUIET)
    d.ray(210, y, 352, y, OUT_, 2.4)
    for a in (-34, -20, 20, 34):
        t = math.radians(a)
        d.ray(210, y, 210 + 96 * math.cos(t), y + 96 * math.sin(t), IN, 1.2)
    d.box(356, y - 9, 12, 18, INK, INK)
    d.words(344, y - 17, "regular: 1.5°", OUT_, 11)
    d.circle(470, y, 60)
    d.line((412, y - 12), (412, y + 12), ink=FAINT, wide=5)
    d.ray(380, y + 30, 412, y + 4, IN, 1.2)
    d.ray(380, y - 30, 412, y - 4, IN, 1.2)
    d.words(470, y + 4, "total", IN, 12)
    d.words(470, y + 78, "sphere", QUIET, 11)
    return d


def body():
    d = Drawing(
        "Left, a metal: all that is not absorbed is reflected at the interface. Right, a dielectric: a "
        "little is reflected, the rest scatters below and comes out as the body colour."
    )
    for x, name in ((140, "metal"), (420, "dielectric")):
        d.sample(x - 110, 112, 220, 56)
        d.towards(x, 112, -42, 118, IN, comes=True)
        d.words(x, 186, name, QUIET, 11)
    d.towards(140, 112, 42, 112, OUT_, wide=3.4)
    d.words(228, 22, "F0: its colour", OUT_, 11, "start")
    d.towards(420, 112, 42, 108, OUT_, wide=1.2)
    d.words(500, 22, "4 %", OUT_, 11, "start")
    for path in (((0, 0), (6, 24), (-20, 36), (-40, 14), (-46, 0)), ((0, 0), (12, 30), (30, 40), (20, 14), (26, 0)),
                 ((0, 0), (-8, 18), (10, 36), (40, 28), (60, 16), (64, 0))):  # fmt: skip
        d.line(*((420 + px, 112 + py) for px, py in path), ink=IN, wide=1.1, dashed="2 2")
        d.towards(420 + path[-1][0], 112, (path[-1][0]) / 2.0, 50, IN, wide=1.3)
    return d


def finish():
    d = Drawing(
        "An interface is a crowd of facets. Steep slopes make a wide lobe, gentle ones a narrow lobe; "
        "haze is a share of facets in a second, wider one."
    )
    for x, height, wide, long, name in (
        (100, 2.0, 6, 112, "smooth"),
        (280, 7.0, 22, 84, "rough"),
        (460, 2.0, 6, 100, "hazy"),
    ):
        places = [(x - 80, 142)]
        for i in range(33):
            up = height * math.sin(i * 2.39996) + (height if name != "smooth" else 0.6) * math.sin(i * 4.1)
            if name == "hazy":
                up = 9.0 * math.sin(i * 2.4) if 12 < i < 18 or i > 27 else up * 0.6
            places.append((x - 80 + 5 * i, 136 + up))
        d.line(*places, (x + 80, 142), (x + 80, 158), (x - 80, 158), (x - 80, 142), ink=QUIET, fill=FAINT)
        if name == "hazy":
            d.lobe(x, 132, 38, 46, 26, IN)
        d.lobe(x, 132, 38, long, wide)
        d.towards(x, 132, -38, 108, IN, comes=True)
        d.words(x, 180, name, QUIET, 11)
    return d


def coat():
    d = Drawing(
        "The coat reflects at its own interface, bends what passes, absorbs it twice, and throws some of it back down."
    )
    x, top, base = 210, 84, 132
    d.box(60, top, 440, base - top, OUT_, OUT_, 0, 0.14)
    d.sample(60, base, 440, 34)
    d.words(70, top + 28, "coat", OUT_, 12, "start")
    d.words(70, base + 22, "base", QUIET, 12, "start")
    d.towards(x, top, -50, 104, IN, comes=True)
    d.towards(x, top, 50, 96, IN, wide=1.2)
    s = 28
    d.ray(x, top, x + s, base, IN, head=False)
    d.ray(x + s, base, x + 2 * s, top, OUT_, head=False)
    d.towards(x + 2 * s, top, 50, 104, OUT_, wide=2.0)
    d.ray(x + 2 * s, top, x + 3 * s, base, OUT_, 1.2, "3 3", head=False)
    d.ray(x + 3 * s, base, x + 4 * s, top, OUT_, 1.2, "3 3", head=False)
    d.towards(x + 4 * s, top, 50, 96, OUT_, wide=1.0, dashed="3 3")
    d.line((x, top - 50), (x, base), ink=LINE, dashed="4 4")
    d.words(430, 30, "thrown back and forth", QUIET, 11, "start")
    return d


def film():
    d = Drawing(
        "Both faces of a film reflect; the two add up or cancel as the way through the film is long "
        "against the wavelength."
    )
    x, top, base = 130, 104, 134
    d.box(30, top, 250, base - top, IN, IN, 0, 0.16)
    d.sample(30, base, 250, 30)
    d.towards(x, top, -45, 110, IN, comes=True)
    d.towards(x, top, 45, 110, OUT_)
    d.ray(x, top, x + 22, base, IN, head=False)
    d.ray(x + 22, base, x + 44, top, OUT_, head=False)
    d.towards(x + 44, top, 45, 110, OUT_)
    d.line((296, top), (296, base), ink=QUIET)
    d.words(302, top + 20, "30 to 900 nm", QUIET, 11, "start")
    values = [0.45 + 0.38 * math.cos(2.0 * math.pi * (i / 22 + 0.1) ** 1.35) for i in range(41)]
    d.curve(400, 140, 130, 100, values, OUT_, ("wavelength", "reflectance"))
    return d


def sheen():
    d = Drawing(
        "Fibres stand over the surface. Straight on one looks between them; near grazing one looks "
        "through many of them, and the rim is bright."
    )
    for i in range(66):
        x = 60 + 6.7 * i
        lean = 7.0 * math.sin(i * 2.4)
        d.line((x, 140), (x + 0.4 * lean, 128), (x + lean, 116 + 4 * math.sin(i * 1.7)), ink=QUIET, wide=1.1)
    d.sample(50, 140, 460, 26)
    d.towards(170, 122, 8, 100, OUT_, wide=1.2)
    d.words(196, 18, "few fibres", QUIET, 11, "start")
    d.ray(330, 126, 540, 62, OUT_, 2.6)
    d.words(452, 54, "many fibres", QUIET, 11)
    d.ray(250, 30, 306, 120, IN)
    return d


def interior():
    d = Drawing(
        "Left: a clear interior takes a share of the light for every millimetre. Right: a cloudy one "
        "scatters it, and some of it comes back out beside where it went in."
    )
    d.box(40, 40, 200, 112, QUIET, FAINT, 1, 0.5)
    for i in range(8):
        d.line((40 + 25 * i, 78), (65 + 25 * i, 78), ink=IN, wide=7.5 * math.exp(-0.28 * i) + 0.6)
    d.ray(8, 78, 38, 78, IN, 3.0)
    d.ray(240, 78, 268, 78, OUT_, 1.4)
    d.curve(52, 142, 170, 34, [math.exp(-i / 16) for i in range(41)], OUT_)
    d.words(140, 172, "clear: exp(−α d)", QUIET, 11)
    d.sample(310, 64, 220, 92)
    d.ray(400, 16, 400, 63, IN, 2.2)
    for path in (((0, 0), (6, 24), (-14, 46), (-40, 40), (-54, 18), (-56, 0)),
                 ((0, 0), (8, 40), (34, 60), (60, 44), (80, 56), (96, 30), (98, 0)),
                 ((0, 0), (-4, 30), (20, 54), (0, 80))):  # fmt: skip
        d.line(*((400 + px, 64 + py) for px, py in path), ink=IN, wide=1.2)
    d.towards(344, 64, -18, 40, OUT_)
    d.towards(498, 64, 14, 40, OUT_)
    d.circle(400, 144, 3.5, GONE, GONE)
    d.words(420, 172, "cloudy: single steps, a mean free path long", QUIET, 11)
    return d


def reverse():
    d = Drawing(
        "A sheet has two sides: light that goes in comes out on the near side by one colour, and on the "
        "far side by its translucency and both colours."
    )
    d.box(60, 88, 440, 9, OUT_, OUT_, 0, 0.45)
    d.box(60, 97, 440, 9, IN, IN, 0, 0.45)
    d.words(68, 82, "front", OUT_, 11, "start")
    d.words(68, 122, "back", IN, 11, "start")
    x = 280
    d.towards(x, 88, -40, 104, IN, comes=True, wide=2.2)
    d.towards(x, 88, 40, 92, QUIET, wide=1.2)
    for a in (-24, 0, 22, 60):
        d.towards(x, 88, a, 50, OUT_, wide=1.3)
    for a in (150, 180, 208, 124):
        d.towards(x, 106, a, 54, OUT_, wide=1.3)
    d.words(372, 52, "reflected: its colour", QUIET, 11, "start")
    d.words(352, 152, "let through: translucency", QUIET, 11, "start")
    return d


PICTURES = (
    spectrophotometer, colorimeter, ellipsometer, glossmeter, goniophotometer, gonioreflectometer, reflectometer,
    refractometer, scatterprobe, transmissometer, body, finish, coat, film, sheen, interior, reverse,
)  # fmt: skip


def main(out=OUT):
    out.mkdir(exist_ok=True)
    for draw in PICTURES:
        (out / f"{draw.__name__}.svg").write_text(draw().text(), encoding="utf-8")
    print(f"wrote {len(PICTURES)} pictures to {out}")


if __name__ == "__main__":
    main()
