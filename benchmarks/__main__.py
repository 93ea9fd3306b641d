"""Run the benchmarks named on the command line, or all of them."""

import sys
from importlib import import_module

NAMES = ("film", "tracing", "maps", "meshes", "solving", "studies", "pictures", "library", "window")
LONG = (
    "coverage", "error_bars", "photographs", "fuzzing", "attack", "monkey", "surfaces", "denoising", "farm", "stalls",
    "kills", "endurance", "posterior",
)  # fmt: skip
"""Run when named, as they take minutes."""


def main(names):
    unknown = [n for n in names if n not in NAMES + LONG]
    if unknown:
        print(f"there is no benchmark '{unknown[0]}'; choose from {', '.join(NAMES + LONG)}", file=sys.stderr)
        return 2
    for name in names or NAMES:
        for figure in import_module(f"benchmarks.{name}").run():
            print(figure, flush=True)
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
