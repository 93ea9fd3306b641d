"""Build the guide as a site, `build/guide/index.html`: the very pages that the window shows. `make docs`."""

import subprocess
import sys
import tempfile
from pathlib import Path

import yaml

from photometra import guide
from photometra.instruments import INSTRUMENTS
from photometra.surface import STRATA

OUT = Path(__file__).parents[1] / "build" / "guide"


def main(out=OUT):
    """Exit code of the generator; a link that leads nowhere is an error."""
    rest = [t for t in guide.topics() if t not in ("index", *STRATA, *INSTRUMENTS)]
    sections = {"Surface": STRATA, "Instruments": INSTRUMENTS, "Work": rest}
    navigation = [{"Guide": "index.md"}]
    navigation += [{name: [{guide.title(t): f"{t}.md"} for t in topics]} for name, topics in sections.items()]
    with tempfile.TemporaryDirectory() as folder:
        pages = Path(folder) / "pages"
        pages.mkdir()
        (pages / "pictures").mkdir()
        for topic in guide.pictures():
            (pages / "pictures" / f"{topic}.svg").write_text(guide.picture(topic), encoding="utf-8")
        for topic in guide.topics():
            (pages / f"{topic}.md").write_text(guide.page(topic), encoding="utf-8")
        told = {
            "site_name": "Photometra", "docs_dir": "pages", "nav": navigation, "use_directory_urls": False,
            # Nothing is fetched from elsewhere by whoever reads it.
            "theme": {"name": "readthedocs", "locale": "en", "highlightjs": False},
        }  # fmt: skip
        (Path(folder) / "mkdocs.yml").write_text(yaml.safe_dump(told, sort_keys=False), encoding="utf-8")
        command = [sys.executable, "-m", "mkdocs", "build", "--strict", "--quiet", "-d", str(out)]
        return subprocess.run(command, cwd=folder, check=False).returncode


if __name__ == "__main__":
    code = main()
    if not code:
        print(f"wrote {OUT / 'index.html'}")
    sys.exit(code)
