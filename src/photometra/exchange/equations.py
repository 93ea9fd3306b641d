"""The closures that open material standards are made of, by their published equations: nothing of our own surface.

As the physically based library of MaterialX 1.39 states them: GGX facets with height-correlated shadowing (Heitz 2014)
and what is lost given back by Turquin (2019), Fresnel's equations or Schlick's with a tint at 82 degrees (Hoffman
2023), one film (Belcour & Barla 2017), Oren & Nayar's body, fibres by Estevez & Kulla (2017) or Zeltner et al. (2022).
A layer takes from what is below by its own directional albedo, found here by quadrature instead of by rational fits.
Fresnel and GGX stand here apart from `optics` on purpose: what other programs make of a surface is a second opinion on
ours, and a mistake of ours must not be in both.

Directions are arrays (n, 3), z the normal; colours (n, 3) in linear Rec.709. What a closure `gives` is its BRDF times
the cosine of `wi`; `passes` (n, 3) is the share that it leaves to what is below.
"""

import math
from dataclasses import dataclass, field
from functools import cached_property, lru_cache

import numpy as np

_LEAST = 1e-4
_MU = np.linspace(0.02, 1.0, 25)
_FACETS_DRAWN = 256
_FUJII = 0.5 - 2.0 / (3.0 * math.pi), 2.0 / 3.0 - 28.0 / (15.0 * math.pi)
_COS_82 = 1.0 / 7.0


def lattice(count):
    """(count, 2) even points of the unit square, by the golden ratio."""
    k = np.arange(count)
    return np.stack([(k + 0.5) / count, (k * 0.5 * (math.sqrt(5.0) - 1.0)) % 1.0], axis=1)


def unit(w):
    return w / np.linalg.norm(w, axis=-1, keepdims=True)


def visible_facets(wo, alpha, points):
    """Facets (n, 3) of GGX as seen from wo, drawn by points (n, 2) (Dupuy & Benyoub 2023)."""
    stretched = unit(wo * [alpha[0], alpha[1], 1.0])
    z = (1.0 - points[:, 0]) * (1.0 + stretched[:, 2]) - stretched[:, 2]
    sine, turn = np.sqrt(np.clip(1.0 - z * z, 0.0, 1.0)), 2.0 * math.pi * points[:, 1]
    h = np.stack([sine * np.cos(turn), sine * np.sin(turn), z], axis=1) + stretched
    return unit(np.stack([h[:, 0] * alpha[0], h[:, 1] * alpha[1], np.maximum(h[:, 2], 1e-9)], axis=1))


def facet_density(h, alpha):
    """GGX by facet (n, 3) -> (n,)."""
    x, y = h[:, 0] / alpha[0], h[:, 1] / alpha[1]
    return 1.0 / (math.pi * alpha[0] * alpha[1] * (x * x + y * y + h[:, 2] ** 2) ** 2)


def shadowing(cos_i, cos_o, alpha):
    """Both ways, height-correlated; alpha the mean of the two widths, as the standard has it."""
    a2 = alpha * alpha
    one, other = (np.sqrt(a2 + (1.0 - a2) * c * c) for c in (cos_i, cos_o))
    return 2.0 * cos_i * cos_o / np.maximum(one * cos_o + other * cos_i, 1e-12)


def masking(cos_o, alpha):
    return 2.0 / (1.0 + np.sqrt(1.0 + alpha * alpha * (1.0 / np.maximum(cos_o, _LEAST) ** 2 - 1.0)))


# Fresnel's equations, by the cosine to the facet (n,) -> (n, 3).


def dielectric(cosine, index):
    """(p, s) reflectances of an index, that of the far side over the near one's."""
    c2 = np.clip(cosine, 0.0, 1.0) ** 2
    root = index * index - (1.0 - c2)
    inside = np.sqrt(np.maximum(root, 0.0))
    rs = ((cosine - inside) / (cosine + inside)) ** 2
    rp = ((index * index * cosine - inside) / (index * index * cosine + inside)) ** 2
    return np.where(root < 0.0, 1.0, rp), np.where(root < 0.0, 1.0, rs)


def conductor(cosine, n, k):
    """(p, s) reflectances (n, 3) of complex indices by channel."""
    c = np.clip(cosine, 0.0, 1.0)[:, None]
    index = np.asarray(n, float) + 1j * np.asarray(k, float)
    inside = np.sqrt(index * index - (1.0 - c * c))
    rs, rp = (c - inside) / (c + inside), (index * index * c - inside) / (index * index * c + inside)
    return np.abs(rp) ** 2, np.abs(rs) ** 2


@dataclass(frozen=True, eq=False)
class Dielectric:
    ior: float

    def __call__(self, cosine):
        return np.repeat((0.5 * sum(dielectric(cosine, self.ior)))[:, None], 3, axis=1)

    def below_film(self, cosine, film):
        return tuple(np.repeat(r[:, None], 3, axis=1) for r in dielectric(cosine, self.ior / film))

    @property
    def index(self):
        return np.full(3, self.ior)


@dataclass(frozen=True, eq=False)
class Conductor:
    n: np.ndarray
    k: np.ndarray

    def __call__(self, cosine):
        return 0.5 * sum(conductor(cosine, self.n, self.k))

    def below_film(self, cosine, film):
        return conductor(cosine, self.n / film, self.k / film)

    @property
    def index(self):
        return self.n


@dataclass(frozen=True, eq=False)
class Schlick:
    """Schlick's curve from one colour to another, less a term that gives the tint at 82 degrees."""

    facing: np.ndarray
    tint: np.ndarray
    grazing: np.ndarray
    exponent: float

    def __call__(self, cosine):
        x = np.clip(cosine, 0.0, 1.0)[:, None]
        at_82 = self._curve(_COS_82) * (1.0 - self.tint) / (_COS_82 * (1.0 - _COS_82) ** 6)
        return np.maximum(self._curve(x) - at_82 * x * (1.0 - x) ** 6, 0.0)

    def _curve(self, x):
        return self.facing + (self.grazing - self.facing) * (1.0 - x) ** self.exponent

    def below_film(self, cosine, film):
        half = 0.5 * self(cosine)
        return half, half

    @property
    def index(self):
        root = np.sqrt(np.clip(self.facing, 0.01, 0.99))
        return (1.0 + root) / (1.0 - root)


_TO_RGB = np.array([[2.3706743, -0.9000405, -0.4706338], [-0.5138850, 1.4253036, 0.0885814],
                    [0.0052982, -0.0146949, 1.0093968]])  # fmt: skip
_SENSED = (np.array([5.4856e-13, 4.4201e-13, 5.2481e-13]), np.array([1.6810e6, 1.7953e6, 2.2084e6]),
           np.array([4.3278e9, 9.3046e9, 6.6121e9]))  # fmt: skip


def _sensed(path, shift):
    """What a path difference (n, 1) in metres is to XYZ, as Gaussians of its frequency (Belcour & Barla 2017)."""
    phase = 2.0 * math.pi * path
    height, at, width = _SENSED
    xyz = height * np.sqrt(2.0 * math.pi * width) * np.cos(at * phase + shift) * np.exp(-width * phase**2)
    second = 9.7470e-14 * math.sqrt(2.0 * math.pi * 4.5282e9) * np.exp(-4.5282e9 * phase**2)
    xyz[:, :1] += second * np.cos(2.2399e6 * phase + shift[:, :1])
    return xyz / 1.0685e-7


@dataclass(frozen=True, eq=False)
class Filmed:
    """A film between air and a face, its colours by two orders of interference."""

    face: object
    nm: float
    ior: float

    def __call__(self, cosine):
        film = max(self.ior, 1.0)
        inside = np.sqrt(np.maximum(1.0 - (1.0 - cosine**2) / film**2, 1e-9))
        path = (2.0 * film * inside * self.nm * 1e-9)[:, None]
        total = np.zeros((len(cosine), 3))
        turned = np.where(self.face.index < film, math.pi, 0.0)
        brewster = math.cos(math.atan(film))
        firsts = np.where(cosine < brewster, 0.0, math.pi), np.full(len(cosine), math.pi)
        ways = zip(dielectric(cosine, film), self.face.below_film(inside, film), firsts, strict=True)
        for first, below, back in ways:
            first = first[:, None]
            passed = 1.0 - first
            mean = passed**2 * below / np.maximum(1.0 - first * below, 1e-9)
            total += first + mean
            step, order = np.sqrt(np.maximum(first * below, 0.0)), mean - passed
            for m in (1, 2):
                order = order * step
                total += order * 2.0 * _sensed(m * path, m * (turned + back[:, None]))
        return np.clip(0.5 * total @ _TO_RGB.T, 0.0, 1.0)


# Closures.


@lru_cache(maxsize=64)
def _seen_facets(alpha):
    """(cosines of light at `_MU`, cosines to the facets that it sees, what passes others), (_MU, drawn) each."""
    mu = np.repeat(_MU, _FACETS_DRAWN)
    wo = np.stack([np.sqrt(1.0 - mu * mu), np.zeros_like(mu), mu], axis=1)
    h = visible_facets(wo, (alpha, alpha), np.tile(lattice(_FACETS_DRAWN), (_MU.size, 1)))
    cosine = np.sum(wo * h, axis=1)
    cos_i = 2.0 * cosine * h[:, 2] - mu
    past = shadowing(np.maximum(cos_i, 0.0), mu, alpha) / masking(mu, alpha)
    return mu, cosine, np.where(cos_i > 0.0, past, 0.0)


def _by_angle(values):
    """Means at `_MU` of values of the facets seen."""
    return values.reshape(_MU.size, _FACETS_DRAWN, -1).mean(axis=1)


@lru_cache(maxsize=64)
def _of_mirrors(alpha):
    """The directional albedo of facets that reflect all, at `_MU`."""
    return _by_angle(_seen_facets(alpha)[2])[:, 0]


@dataclass(frozen=True, eq=False)
class Facets:
    """GGX facets that reflect by Fresnel. evenly: all channels are passed on alike."""

    reflects: object
    alpha: tuple[float, float]
    weight: float = 1.0
    tint: np.ndarray = field(default_factory=lambda: np.ones(3))
    evenly: bool = False

    @property
    def mean(self):
        return round(math.sqrt(self.alpha[0] * self.alpha[1]), 6)

    def _given_back(self, cos_o, reflectance):
        whole = np.interp(cos_o, _MU, _of_mirrors(self.mean))[:, None]
        return reflectance * (1.0 + reflectance * (1.0 - whole) / whole)

    def gives(self, wo, wi):
        h = unit(wo + wi)
        cos_o, cos_i = np.maximum(wo[:, 2], _LEAST), np.maximum(wi[:, 2], 0.0)
        lobe = facet_density(h, self.alpha) * shadowing(cos_i, cos_o, self.mean) / (4.0 * cos_o)
        return self.weight * self.tint * lobe[:, None] * self._given_back(cos_o, self.reflects(np.sum(wo * h, axis=1)))

    @cached_property
    def _sent(self):
        """What it sends back in all, at `_MU`."""
        mu, cosine, past = _seen_facets(self.mean)
        sent = _by_angle(past[:, None] * self._given_back(mu, self.reflects(cosine)))
        return np.repeat(sent.mean(axis=1, keepdims=True), 3, axis=1) if self.evenly else sent

    def passes(self, wo):
        return 1.0 - self.weight * np.stack([np.interp(wo[:, 2], _MU, c) for c in self._sent.T], axis=1)


@dataclass(frozen=True, eq=False)
class Body:
    """A diffuse body: Lambert's, or Oren & Nayar's, with its lost light given back (Fujii; OpenPBR) or without."""

    colour: np.ndarray
    weight: float = 1.0
    roughness: float = 0.0
    gives_back: bool = False

    def gives(self, wo, wi):
        cos_o, cos_i = np.maximum(wo[:, 2], _LEAST), np.maximum(wi[:, 2], 0.0)
        s = np.sum(wo * wi, axis=1) - cos_i * cos_o
        over = s / np.maximum(np.maximum(cos_i, cos_o), _LEAST)
        if self.gives_back:
            value = self._compensated(cos_o, cos_i, np.where(s > 0.0, over, s))
        else:
            square = self.roughness**2
            a, b = 1.0 - 0.5 * square / (square + 0.33), 0.45 * square / (square + 0.09)
            value = (a + b * np.maximum(over, 0.0))[:, None] * self.colour
        return self.weight * value * (cos_i / math.pi)[:, None]

    def _compensated(self, cos_o, cos_i, over):
        a = 1.0 / (1.0 + _FUJII[0] * self.roughness)
        mean = a * (1.0 + _FUJII[1] * self.roughness)
        once = self.colour * (a * (1.0 + self.roughness * over))[:, None]
        again = self.colour**2 * mean / (1.0 - self.colour * max(0.0, 1.0 - mean))
        lost = [np.maximum(_LEAST**2, 1.0 - self._albedo(c, a)) for c in (cos_o, np.maximum(cos_i, _LEAST))]
        return once + again * (lost[0] * lost[1] / max(_LEAST**2, 1.0 - mean))[:, None]

    def _albedo(self, cosine, a):
        sine = np.sqrt(np.maximum(0.0, 1.0 - cosine**2))
        g = sine * (np.arccos(cosine) - sine * cosine) + 2.0 * ((sine / cosine) * (1.0 - sine**3) - sine) / 3.0
        return a + self.roughness * a * g / math.pi

    def passes(self, wo):
        return np.zeros((len(wo), 3))


@dataclass(frozen=True, eq=False)
class BurleyBody:
    """A diffuse body that rises or falls towards grazing with its roughness (Burley 2012)."""

    colour: np.ndarray
    weight: float
    roughness: float

    def gives(self, wo, wi):
        cos_o, cos_i = np.maximum(wo[:, 2], _LEAST), np.maximum(wi[:, 2], 0.0)
        grazing = 0.5 + 2.0 * self.roughness * np.sum(wi * unit(wo + wi), axis=1) ** 2
        both = (1.0 + (grazing - 1.0) * (1.0 - cos_o) ** 5) * (1.0 + (grazing - 1.0) * (1.0 - cos_i) ** 5)
        return self.weight * self.colour * (both * cos_i / math.pi)[:, None]

    def passes(self, wo):
        return np.zeros((len(wo), 3))


@dataclass(frozen=True, eq=False)
class Fibres:
    """Fibres on top. zeltner: multiple scattering as a transformed cosine (2022), else Estevez & Kulla (2017)."""

    colour: np.ndarray
    weight: float
    roughness: float
    zeltner: bool

    def gives(self, wo, wi):
        cos_o, cos_i = np.maximum(wo[:, 2], _LEAST), np.maximum(wi[:, 2], 0.0)
        lobe = self._transformed(wo, wi, cos_o) if self.zeltner else self._inverted(wo, wi, cos_o, cos_i)
        return self.weight * self.colour * lobe[:, None]

    def _inverted(self, wo, wi, cos_o, cos_i):
        power = 1.0 / max(self.roughness, 0.005)
        sine2 = np.maximum(1.0 - unit(wo + wi)[:, 2] ** 2, 0.0)
        density = (2.0 + power) * sine2 ** (0.5 * power) / (2.0 * math.pi)
        return density * cos_i / (4.0 * np.maximum(cos_i + cos_o - cos_i * cos_o, _LEAST))

    def _transformed(self, wo, wi, cos_o):
        r = np.clip(self.roughness, 0.01, 1.0)
        a = (2.58126 * cos_o + 0.813703 * r) * r / (1.0 + 0.310327 * cos_o**2 + 2.60994 * cos_o * r)
        b = np.sqrt(1.0 - cos_o) * (r - 1.0) * r**3
        b = b / (0.0000254053 + 1.71228 * cos_o - 1.71506 * cos_o * r + 1.34174 * r * r)
        sine = np.linalg.norm(wo[:, :2], axis=1, keepdims=True)
        # Straight from above any direction will do.
        along = np.where(sine > 1e-9, wo[:, :2] / np.maximum(sine, 1e-9), [1.0, 0.0])
        x = np.sum(along * wi[:, :2], axis=1)
        y = along[:, 0] * wi[:, 1] - along[:, 1] * wi[:, 0]
        x, y, z = a * x + b * wi[:, 2], a * y, wi[:, 2]
        length2 = np.maximum(x * x + y * y + z * z, 1e-12)
        # Of a vector that is not of unit length, as published.
        return self._albedo(cos_o) * np.maximum(z, 0.0) / math.pi * (a / length2) ** 2

    def _albedo(self, x):
        if not self.zeltner:
            return np.interp(x, _MU, self._by_quadrature)
        y = np.clip(self.roughness, 0.01, 1.0)
        s = y * (0.0206607 + 1.58491 * y) / (0.0379424 + y * (1.32227 + y))
        m = y * (-0.193854 + y * (-1.14885 + y * (1.7932 - 0.95943 * y * y))) / (0.046391 + y)
        o = y * (0.000654023 + (-0.0207818 + 0.119681 * y) * y) / (1.26264 + y * (-1.92021 + y))
        return np.exp(-0.5 * ((x - m) / s) ** 2) / (s * math.sqrt(2.0 * math.pi)) + o

    @cached_property
    def _by_quadrature(self):
        points = lattice(_FACETS_DRAWN)
        sine, turn = np.sqrt(1.0 - points[:, 0] ** 2), 2.0 * math.pi * points[:, 1]
        wi = np.stack([sine * np.cos(turn), sine * np.sin(turn), points[:, 0]], axis=1)
        out = []
        for mu in _MU:
            wo = np.tile([math.sqrt(1.0 - mu * mu), 0.0, mu], (len(wi), 1))
            out.append(2.0 * math.pi * np.mean(self._inverted(wo, wi, wo[:, 2], wi[:, 2])))
        return np.array(out)

    def passes(self, wo):
        return 1.0 - self.weight * np.repeat(np.clip(self._albedo(wo[:, 2]), 0.0, 1.0)[:, None], 3, axis=1)


@dataclass(frozen=True, eq=False)
class Nothing:
    """What sends nothing back. passed: the share that goes on to what is below."""

    passed: float = 1.0

    def gives(self, wo, wi):
        return np.zeros((len(wo), 3))

    def passes(self, wo):
        return np.full((len(wo), 3), self.passed)


@dataclass(frozen=True, eq=False)
class Layered:
    top: object
    base: object

    def gives(self, wo, wi):
        return self.top.gives(wo, wi) + self.base.gives(wo, wi) * self.top.passes(wo)

    def passes(self, wo):
        return self.top.passes(wo) * self.base.passes(wo)


@dataclass(frozen=True, eq=False)
class Mixed:
    first: object
    second: object
    share: float
    """Of the second."""

    def gives(self, wo, wi):
        return (1.0 - self.share) * self.first.gives(wo, wi) + self.share * self.second.gives(wo, wi)

    def passes(self, wo):
        return (1.0 - self.share) * self.first.passes(wo) + self.share * self.second.passes(wo)


@dataclass(frozen=True, eq=False)
class Added:
    first: object
    second: object

    def gives(self, wo, wi):
        return self.first.gives(wo, wi) + self.second.gives(wo, wi)

    def passes(self, wo):
        return np.maximum(self.first.passes(wo) + self.second.passes(wo) - 1.0, 0.0)


@dataclass(frozen=True, eq=False)
class Tinted:
    of: object
    tint: np.ndarray

    def gives(self, wo, wi):
        return np.clip(self.tint, 0.0, 1.0) * self.of.gives(wo, wi)

    def passes(self, wo):
        return self.of.passes(wo)


def widths(closure):
    """The slope widths of the facets within a closure, each once."""
    if isinstance(closure, Facets):
        return {closure.alpha} if closure.weight > 0.0 else set()
    parts = [v for v in vars(closure).values() if hasattr(v, "gives")]
    return set().union(*(widths(p) for p in parts)) if parts else set()
