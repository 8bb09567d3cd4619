# Answers an ask against a catalogue.
source "$HG_ROOT/scripts/cli.sh"
set -euo pipefail

run_cli solve "$@"
