# Measures the engine on the made ladder, beside its peers, or with --browser what a student waits for. The peers are
# large to restore, so nothing else needs them.
source "$HG_ROOT/scripts/needs.sh"
set -euo pipefail

if [ "${1:-}" = --browser ]; then
  source "$HG_ROOT/scripts/build.sh"
  need_chromium
  build_all
  data=$(mktemp -d)
  node "$HG_ROOT/scripts/serve.mjs" --port 5182 --data "$data" --announce >&2 &
  server=$!
  trap 'kill $server; rm -rf "$data"' EXIT
  until curl -sf http://127.0.0.1:5182/api/terms >/dev/null; do sleep 0.2; done
  cd "$HG_ROOT"
  node bench/browser.mjs http://127.0.0.1:5182 "$HG_CHROMIUM"
  exit
fi

need_dotnet
cd "$HG_ROOT"
dotnet restore bench/HourGrid.Bench --locked-mode -v quiet >&2
dotnet build bench/HourGrid.Bench -c Release --no-restore -v quiet -clp:NoSummary >&2
cd "${HG_FROM:-$HG_ROOT}"
exec dotnet "$HG_ROOT/artifacts/bin/HourGrid.Bench/release/HourGrid.Bench.dll" "$@"
