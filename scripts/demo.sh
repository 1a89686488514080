#!/usr/bin/env bash
# The same as start, with the demo's project.
exec "$FRESH_SPLICE_HOME/scripts/start.sh" --demo "$@"
