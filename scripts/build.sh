# Builds the application. Sourced by the commands that need it; each step is skipped when nothing it reads has changed.

app=$HG_ROOT/artifacts/app

# stamp NAME PATH…: runs the function build_NAME unless these paths are unchanged since it last succeeded.
stamp() {
  local name=$1 file=$HG_ROOT/artifacts/stamps/$1
  shift
  local now
  now=$(cd "$HG_ROOT" && find "$@" -type f -not -path '*/wwwroot/*' -not -path '*/node_modules/*' -not -name schema.gen.ts -print0 |
    sort -z | xargs -0 sha256sum | sha256sum)
  [ -f "$file" ] && [ "$(cat "$file")" = "$now" ] && return
  "build_$name"
  mkdir -p "$(dirname "$file")"
  echo "$now" >"$file"
}

dotnet_files=(src Directory.Build.props Directory.Packages.props global.json .editorconfig)

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

build_all() {
  need_dotnet
  need_node
  cd "$HG_ROOT"
  stamp packages package.json package-lock.json client/package.json tests/browser/package.json
  stamp server "${dotnet_files[@]}"
  stamp client "${dotnet_files[@]}" client package-lock.json
  stamp app "${dotnet_files[@]}" client package-lock.json
}
