"""Write the JSON Schema of `study.json` from its pydantic models: run after changing `study/schema.py`.

python tools/write_schema.py
"""

from pathlib import Path

from photometra.study.schema import json_schema_text

TARGET = Path(__file__).parent.parent / "src/photometra/study/study.schema.json"

if __name__ == "__main__":
    TARGET.write_text(json_schema_text(), encoding="utf-8")
    print(f"wrote {TARGET}")
