# Measures the engine on the made ladder, beside its peers. The peers are large to restore, so nothing else needs them.
source "$HG_ROOT/scripts/needs.sh"
set -euo pipefail

need_dotnet
cd "$HG_ROOT"
dotnet restore bench/HourGrid.Bench --locked-mode -v quiet >&2
dotnet build bench/HourGrid.Bench -c Release --no-restore -v quiet -clp:NoSummary >&2
cd "${HG_FROM:-$HG_ROOT}"
exec dotnet "$HG_ROOT/artifacts/bin/HourGrid.Bench/release/HourGrid.Bench.dll" "$@"
