# When a programme can be complete, and what waiting costs.
source "$HG_ROOT/scripts/cli.sh"
set -euo pipefail

run_cli terms-ahead "$@"
