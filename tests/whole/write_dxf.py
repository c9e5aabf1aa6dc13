"""Writes a DXF by an independent library for a test to read: a room of 222 x 150 in as a polyline, and a bay as a bulge."""
import sys

import ezdxf

drawing = ezdxf.new("R2010")
drawing.header["$INSUNITS"] = 1
for layer in ("ROOM", "BAY"):
    drawing.layers.add(layer)
space = drawing.modelspace()
space.add_lwpolyline([(10, 20), (232, 20), (232, 170), (10, 170)], close=True, dxfattribs={"layer": "ROOM"})
space.add_lwpolyline([(0, 0, 0), (100, 0, 1)], format="xyb", close=True, dxfattribs={"layer": "BAY"})
space.add_circle((5, 5), 3, dxfattribs={"layer": "ROOM"})
drawing.saveas(sys.argv[1])
