"""Reads a DXF by an independent library and prints what a test compares: faults, unit, and per layer the entities and lines."""
import json
import sys
from collections import Counter

import ezdxf

drawing = ezdxf.readfile(sys.argv[1])
audit = drawing.audit()
space = drawing.modelspace()
walls = [e for e in space.query("LWPOLYLINE") if e.dxf.layer == "WALLS"]
print(json.dumps({
    "errors": len(audit.errors),
    "fixes": len(audit.fixes),
    "unit": drawing.header["$INSUNITS"],
    "layers": dict(sorted(Counter(e.dxf.layer for e in space).items())),
    "outline": [[round(p[0], 4), round(p[1], 4)] for p in walls[0].get_points("xy")],
    "texts": sorted(e.dxf.text for e in space.query("TEXT") if e.dxf.layer == "DIMENSIONS"),
}, sort_keys=True))
