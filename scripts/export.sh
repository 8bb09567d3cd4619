# Writes the catalogue of the database to a file.
source "$HG_ROOT/scripts/cli.sh"
set -euo pipefail

with_data export "$@"
