# Answers an ask against a catalogue.
source "$HG_ROOT/scripts/needs.sh"
source "$HG_ROOT/scripts/build.sh"
set -euo pipefail

build_cli() {
  dotnet restore src/HourGrid.Cli --locked-mode -v quiet >&2
  dotnet build src/HourGrid.Cli -c Release --no-restore -v quiet -clp:NoSummary >&2
}

need_dotnet
(cd "$HG_ROOT" && stamp cli artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll "${dotnet_files[@]}")
cd "${HG_FROM:-$HG_ROOT}"
exec dotnet "$HG_ROOT/artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll" solve "$@"
