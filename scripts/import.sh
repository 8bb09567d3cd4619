# Imports a catalogue into the database.
source "$HG_ROOT/scripts/cli.sh"
set -euo pipefail

with_data import "$@"
