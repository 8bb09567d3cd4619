# Measures the engine on the made ladder, beside its peers, or with --browser what a student waits for. The peers are
# large to restore, so nothing else needs them.
source "$HG_ROOT/scripts/needs.sh"
set -euo pipefail

build_bench() {
  need_dotnet
  cd "$HG_ROOT"
  dotnet restore bench/HourGrid.Bench --locked-mode -v quiet >&2
  dotnet build bench/HourGrid.Bench -c Release --no-restore -v quiet -clp:NoSummary >&2
}
bench="$HG_ROOT/artifacts/bin/HourGrid.Bench/release/HourGrid.Bench.dll"

# What is asked for is served from a folder of its own, for as long as the browser measures it.
measure_in_browser() (
  catalogue=$1 port=$2
  shift 2
  data=$(mktemp -d)
  node "$HG_ROOT/scripts/serve.mjs" --port "$port" --data "$data" --catalogue "$catalogue" --announce >&2 &
  server=$!
  trap 'kill $server; rm -rf "$data"' EXIT
  until curl -sf "http://127.0.0.1:$port/api/terms" >/dev/null; do
    kill -0 $server
    sleep 0.2
  done
  node "$HG_ROOT/bench/browser.mjs" "http://127.0.0.1:$port" "$HG_CHROMIUM" "$@"
)

build_bench
if [ "${1:-}" = --browser ]; then
  source "$HG_ROOT/scripts/build.sh"
  need_chromium
  build_all
  cd "$HG_ROOT"
  made=$(mktemp)
  trap 'rm -f "$made"' EXIT
  dotnet "$bench" --catalogue-of LEC >"$made"
  echo "The sample world:"
  measure_in_browser "$HG_ROOT"/demo/saltmere.catalogue.json 5182 "MAR 105" "ACO 120" "WRT 101" "TID 210" "CAR 305" "LOG 118" "ROB 101"
  echo "Billions, LEC of the ladder:"
  measure_in_browser "$made" 5183 "C 0" "C 1" "C 2" "C 3" "C 4" "C 5" "C 6" "C 7"
  exit
fi

cd "${HG_FROM:-$HG_ROOT}"
exec dotnet "$bench" "$@"
