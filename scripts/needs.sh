# Says plainly what is missing, and how to get it. Sourced by hg.

need_dotnet() {
  local version
  version=$(dotnet --version 2>/dev/null) || version=""
  case "$version" in
  10.*) ;;
  *)
    echo "Hour Grid needs the .NET SDK 10 (found: ${version:-none})." >&2
    echo "Get it from your distribution (package dotnet-sdk-10.0) or from https://dotnet.microsoft.com/download" >&2
    exit 1
    ;;
  esac
}

need_node() {
  local version
  version=$(node --version 2>/dev/null) || version=""
  if [ -z "$version" ] || ! node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)'; then
    echo "Hour Grid needs Node.js 20.19 or newer, with npm (found: ${version:-none})." >&2
    echo "Get it from your distribution (packages nodejs and npm) or from https://nodejs.org/en/download" >&2
    exit 1
  fi
  if ! command -v npm >/dev/null; then
    echo "Hour Grid needs npm, which comes with Node.js (Debian: package npm)." >&2
    exit 1
  fi
}

# The headless shell is the same Chromium without windows: the tests take half the time in it.
find_chromium() {
  command -v chromium-headless-shell || command -v chromium || command -v chromium-browser || command -v google-chrome || true
}

# The tests read calendars with a reader that is not ours: Debian's python3-vobject.
need_calendar_reader() {
  if ! /usr/bin/python3 -c 'import vobject' 2>/dev/null && command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
    echo "Installing python3-vobject for the tests of calendars …"
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq python3-vobject >/dev/null
  fi
  if ! /usr/bin/python3 -c 'import vobject' 2>/dev/null; then
    echo "The tests of calendars need python3-vobject. Install it, as root: apt-get install python3-vobject" >&2
    exit 1
  fi
}

need_chromium() {
  if ! command -v chromium-headless-shell >/dev/null && command -v apt-get >/dev/null && [ "$(id -u)" = 0 ]; then
    echo "Installing Chromium for the browser tests …"
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium-headless-shell >/dev/null ||
      [ -n "$(find_chromium)" ] || DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null
  fi
  HG_CHROMIUM=$(find_chromium)
  if [ -z "$HG_CHROMIUM" ]; then
    echo "The browser tests need Chromium. Install it, as root: apt-get install chromium-headless-shell" >&2
    exit 1
  fi
  export HG_CHROMIUM
}
