# What a record leaves a programme short of.
source "$HG_ROOT/scripts/cli.sh"
set -euo pipefail

run_cli audit "$@"
