# Builds and runs the command line. Sourced by the commands that are its own.
source "$HG_ROOT/scripts/needs.sh"
source "$HG_ROOT/scripts/build.sh"

build_cli() {
  dotnet restore src/HourGrid.Cli --locked-mode -v quiet >&2
  dotnet build src/HourGrid.Cli -c Release --no-restore -v quiet -clp:NoSummary >&2
}

# run_cli ARGUMENT…: from where the student stands, so that files are found as they were typed.
run_cli() {
  need_dotnet
  (cd "$HG_ROOT" && stamp cli artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll "${dotnet_files[@]}")
  cd "${HG_FROM:-$HG_ROOT}"
  exec dotnet "$HG_ROOT/artifacts/bin/HourGrid.Cli/release/HourGrid.Cli.dll" "$@"
}

# with_data ARGUMENT…: the same, on the data of ./hg demo unless --data names another folder.
with_data() {
  for argument in "$@"; do
    [[ $argument == --data* || $argument == --help || $argument == -h ]] && run_cli "$@"
  done
  run_cli "$@" --data "$HG_ROOT/data/demo"
}
