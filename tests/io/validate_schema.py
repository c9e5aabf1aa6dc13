"""Validates job files against the JSON Schema: validate_schema.py SCHEMA JOB..."""
import json
import sys

import jsonschema

with open(sys.argv[1], encoding="utf-8") as file:
    schema = json.load(file)
jsonschema.Draft7Validator.check_schema(schema)
for path in sys.argv[2:]:
    with open(path, encoding="utf-8") as file:
        jsonschema.validate(json.load(file), schema)
