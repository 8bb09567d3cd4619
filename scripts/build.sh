# Builds the application. Sourced by the commands that need it; each step is skipped when nothing it reads has changed.

app=$HG_ROOT/artifacts/app

# stamp NAME OUTPUT PATH…: runs the function build_NAME unless its output is there and these paths are unchanged
# since it last succeeded.
stamp() {
  local name=$1 file=$HG_ROOT/artifacts/stamps/$1 output=$HG_ROOT/$2
  shift 2
  local now
  now=$(cd "$HG_ROOT" && find "$@" -type f -not -path '*/wwwroot/*' -not -path '*/node_modules/*' -not -name schema.gen.ts -print0 |
    sort -z | xargs -0 sha256sum | sha256sum)
  [ -e "$output" ] && [ -f "$file" ] && [ "$(cat "$file")" = "$now" ] && return
  "build_$name"
  mkdir -p "$(dirname "$file")"
  echo "$now" >"$file"
}

dotnet_files=(src client/src/app/tokens.css Directory.Build.props Directory.Build.targets Directory.Packages.props global.json .editorconfig)

build_packages() { npm ci --no-audit --no-fund --loglevel=error; }

# Building the server also writes the OpenAPI document from which the client's types are made.
build_server() {
  dotnet restore src/HourGrid.Server --locked-mode -v quiet
  dotnet build src/HourGrid.Server -c Release --no-restore -v quiet -clp:NoSummary
}

build_client() {
  npm run -s types -w client >/dev/null
  npm run -s build -w client -- --logLevel warn
}

build_app() {
  rm -rf "$app"
  dotnet publish src/HourGrid.Server -c Release --no-restore -v quiet -clp:NoSummary -o "$app"
}

build_stand_ins() {
  rm -rf "$HG_ROOT/artifacts/stand-ins"
  dotnet restore src/HourGrid.StandIns --locked-mode -v quiet
  dotnet publish src/HourGrid.StandIns -c Release --no-restore -v quiet -clp:NoSummary -o "$HG_ROOT/artifacts/stand-ins"
}

have_packages() {
  stamp packages node_modules package.json package-lock.json client/package.json tests/browser/package.json tests/calendars/package.json
}

build_all() {
  need_dotnet
  need_node
  cd "$HG_ROOT"
  # What does not need each other is made beside each other: a first build takes as long as somebody waits for it.
  have_packages &
  local packages=$!
  stamp server artifacts/openapi "${dotnet_files[@]}" || return
  wait "$packages" || return
  stamp client src/HourGrid.Server/wwwroot/index.html "${dotnet_files[@]}" client package-lock.json &
  local client=$!
  stamp app artifacts/app/HourGrid.Server.dll "${dotnet_files[@]}" || return
  stamp stand_ins artifacts/stand-ins/HourGrid.StandIns.dll "${dotnet_files[@]}" || return
  wait "$client" || return
  rm -rf "$app/wwwroot"
  cp -r src/HourGrid.Server/wwwroot "$app/wwwroot"
}
