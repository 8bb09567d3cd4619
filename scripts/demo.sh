# Serves the application with the sample world.
source "$HG_ROOT/scripts/needs.sh"
source "$HG_ROOT/scripts/build.sh"
set -euo pipefail

port=5080
while [ $# -gt 0 ]; do
  case "$1" in
  --port)
    [[ ${2:-} =~ ^[0-9]+$ ]] && [ "$2" -ge 1 ] && [ "$2" -le 65533 ] || {
      echo "hg demo: --port wants a number from 1 to 65533 (the two after it are used, too); found '${2:-}'." >&2
      exit 2
    }
    port=$2
    shift 2
    ;;
  *)
    echo "hg demo: unknown option '$1'; the only one is --port N." >&2
    exit 2
    ;;
  esac
done

echo "Building …"
# Whoever looks for the first time waits for the build: analysis is the tests' affair, and compiling ahead takes half a
# minute to make each start a second or two shorter.
export RunAnalyzers=false PublishReadyToRun=false
build_all
exec node scripts/serve.mjs --port "$port" --stand-ins "$((port + 1))" --data "$HG_ROOT/data/demo" --announce
