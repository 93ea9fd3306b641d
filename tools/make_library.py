"""Write the library that ships: src/photometra/library/starter, one file for each entry, with its picture."""

from pathlib import Path

from photometra.library import starter_library
from photometra.library.entry import entry_study, path_of
from photometra.library.starting import starting_specimens
from photometra.study import Study, write_file


def main():
    folder = Path(starter_library())
    folder.mkdir(exist_ok=True)
    wanted = set()
    for specimen in starting_specimens():
        path = path_of(folder, specimen.name)
        write_file(entry_study(Study(), specimen), path)
        wanted.add(path.name)
        print(f"{path.name}: {path.stat().st_size / 1000:.0f} kB", flush=True)
    for old in folder.glob("*.photometra"):
        if old.name not in wanted:
            old.unlink()


if __name__ == "__main__":
    main()
