# Everything: build, lint, unit, property, API and browser tests. The last line counts them all.
source "$HG_ROOT/scripts/needs.sh"
source "$HG_ROOT/scripts/build.sh"
set -uo pipefail

while [ $# -gt 0 ]; do
  case "$1" in
  --long) export HG_DRAWS=20 ;;
  *)
    echo "hg test: unknown option '$1'; the only one is --long, which draws twenty times as many cases." >&2
    exit 2
    ;;
  esac
  shift
done

need_dotnet
need_node
need_chromium
need_calendar_reader
cd "$HG_ROOT" || exit 1
results=$HG_ROOT/artifacts/test-results
rm -rf "$results" tests/browser/results
mkdir -p "$results"

passed=0
failed=0

# check NAME COMMAND…: a step that passes or fails as a whole, counted as one test.
check() {
  local name=$1 log=$results/$1.log
  shift
  echo "— $name"
  if "$@" >"$log" 2>&1; then
    passed=$((passed + 1))
  else
    failed=$((failed + 1))
    cat "$log"
    echo "FAILED: $name"
  fi
}

# beside NAME COMMAND…: begins a check, which goes on beside those that follow until settle NAME counts it.
beside() {
  local name=$1 log=$results/$1.log
  shift
  ("$@" >"$log" 2>&1; echo $? >"$log.status") &
}
settle() {
  wait
  cp "$results/$1.log" "$results/$1.begun"
  check "$1" sh -c 'cat "$1.begun"; exit "$(cat "$1.log.status")"' sh "$results/$1"
}

# suite NAME COMMAND…: a test runner that counts for itself; its results are read from its own report.
suite() {
  local name=$1 counts
  shift
  echo "— $name"
  "$@"
  local status=$?
  counts=$(node scripts/count-tests.mjs "$name") || counts="0 0"
  passed=$((passed + ${counts% *}))
  failed=$((failed + ${counts#* }))
  # A runner that broke down, or ran nothing, failed also when it counted no failure.
  if { [ $status -ne 0 ] && [ "${counts#* }" = 0 ]; } || [ "$counts" = "0 0" ]; then
    failed=$((failed + 1))
    echo "FAILED: $name ended with status $status"
  fi
}

check packages have_packages
check restore dotnet restore HourGrid.slnx --locked-mode -v quiet
check tools dotnet tool restore
check build dotnet build HourGrid.slnx -c Release --no-restore -v quiet
check client-types npm run -s types -w client
beside client-lint npm run -s lint -w client
check client-check npm run -s check -w client
check browser-check npm run -s check -w tests/browser
check client-format npx prettier --check --log-level warn .
check csharp-format dotnet csharpier check .
settle client-lint
suite dotnet dotnet test --solution HourGrid.slnx -c Release --no-build --report-xunit-trx --results-directory "$results"
suite client npm run -s test -w client -- --reporter=default --reporter=json --outputFile.json="$results/client.json"
check application build_all
suite browser npm run -s test -w tests/browser

echo
echo "$passed passed, $failed failed"
[ "$failed" -eq 0 ]
