# Refreshes docs/screenshots from the sample world.
source "$HG_ROOT/scripts/needs.sh"
source "$HG_ROOT/scripts/build.sh"
set -euo pipefail

need_chromium
build_all
cd "$HG_ROOT"
npm run -s shots -w tests/browser
