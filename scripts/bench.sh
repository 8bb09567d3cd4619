# Measures the engine on the made ladder, beside its peers, or with --browser what a student waits for, or with --load what
# a server answers to many at once, or with --registration what a rush of registrations comes to. The peers and the client that makes the load are only needed here.
source "$HG_ROOT/scripts/needs.sh"
set -euo pipefail

build_bench() {
  need_dotnet
  cd "$HG_ROOT"
  dotnet restore bench/HourGrid.Bench --locked-mode -v quiet >&2
  dotnet build bench/HourGrid.Bench -c Release --no-restore -v quiet -clp:NoSummary >&2
}
bench="$HG_ROOT/artifacts/bin/HourGrid.Bench/release/HourGrid.Bench.dll"

# with_server PORT CATALOGUE COMMAND …: a server with a data folder of its own, $data, for as long as the command runs.
with_server() (
  port=$1 catalogue=$2
  shift 2
  data=$(mktemp -d)
  node "$HG_ROOT/scripts/serve.mjs" --port "$port" --data "$data" --catalogue "$catalogue" --announce \
    ${campus:+--stand-ins "$campus" --crowd 0} >&2 &
  server=$!
  trap 'kill $server; rm -rf "$data"' EXIT
  until curl -sf "http://127.0.0.1:$port/api/terms" >/dev/null; do
    kill -0 $server
    sleep 0.2
  done
  "$@"
)

measure_in_browser() { node "$HG_ROOT/bench/browser.mjs" "http://127.0.0.1:$port" "$HG_CHROMIUM" "$@"; }

measure_under_load() {
  dotnet "$bench" --university-of 20000 >"$data/large.catalogue.json"
  node "$HG_ROOT/bench/load/load.mjs" "http://127.0.0.1:$port" "$sample" "$1" \
    "$HG_ROOT/hg" import "$data/large.catalogue.json" --data "$data"
}

# The rush: hundreds press within a second, with what stands in for the campus beside the server.
measure_registration() {
  node "$HG_ROOT/bench/load/registration.mjs" "http://127.0.0.1:$port" "http://127.0.0.1:$((port + 1))" "$sample"
}

sample=$HG_ROOT/demo/saltmere.catalogue.json
build_bench
if [ "${1:-}" = --load ]; then
  source "$HG_ROOT/scripts/cli.sh"
  build_all
  cd "$HG_ROOT"
  build_cli
  npm ci --prefix bench/load --silent
  # Many students come from many addresses, and the client says from which.
  export Proxies__0=127.0.0.1
  with_server 5184 "$sample" measure_under_load "${2:-all}"
  exit
fi
if [ "${1:-}" = --registration ]; then
  source "$HG_ROOT/scripts/build.sh"
  build_all
  npm ci --prefix bench/load --silent
  export Proxies__0=127.0.0.1
  campus=5186
  with_server 5185 "$sample" measure_registration
  exit
fi
if [ "${1:-}" = --browser ]; then
  source "$HG_ROOT/scripts/build.sh"
  need_chromium
  build_all
  cd "$HG_ROOT"
  made=$(mktemp)
  trap 'rm -f "$made"' EXIT
  dotnet "$bench" --catalogue-of LEC >"$made"
  echo "The sample world:"
  with_server 5182 "$sample" measure_in_browser "MAR 105" "ACO 120" "WRT 101" "TID 210" "CAR 305" "LOG 118" "ROB 101"
  echo "Billions, LEC of the ladder:"
  with_server 5183 "$made" measure_in_browser "C 0" "C 1" "C 2" "C 3" "C 4" "C 5" "C 6" "C 7"
  exit
fi

cd "${HG_FROM:-$HG_ROOT}"
exec dotnet "$bench" "$@"
