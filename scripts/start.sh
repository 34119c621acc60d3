#!/usr/bin/env bash
# Builds what changed and starts the app. Called by ./demo and ./club, which say which of the two it is.
set -euo pipefail

kind=$1
shift
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
port=5080
data=${XDG_DATA_HOME:-${HOME:-/tmp}/.local/share}/cumbre/$kind
today=
grown=
reset=no
command=()
backups=()

fail() {
  echo "$1" >&2
  exit 1
}

usage() {
  if [ "$kind" = demo ]; then
    echo "Usage: ./demo [--port N] [--data DIR] [--today 2026-03-16|now] [--grown 60x1] [--reset] [--help]"
    echo "Builds Cumbre and starts it with an invented club on http://127.0.0.1:5080."
    echo "  --port N      another port"
    echo "  --data DIR    where the demo's data lies (now: $data)"
    echo "  --today DAY   the day on which the demo plays; now is the real one"
    echo "  --grown AxY   a club of A athletes that has trained for Y years, to try its speed; in a folder of its own"
    echo "  --reset       make the demo's data anew"
  else
    echo "Usage: ./club [--port N] [--data DIR] [--backups DIR] [--help]"
    echo "       ./club [--recover NAME | --verify-audit [SEAL] | --back-up | --list-backups | --restore NAME [--yes] |"
    echo "                --write-club FILE | --read-club FILE]"
    echo "Builds Cumbre and starts it for a real club; the first start asks for the setup code that it prints."
    echo "  --port N      another port than 5080"
    echo "  --data DIR    where the club's data lies (now: $data)"
    echo "  --recover NAME          prints a link to a new password for who signs in as NAME, and starts nothing"
    echo "  --verify-audit [SEAL]   checks the audit, with a seal that was kept also its end, and starts nothing"
    echo "  --backups DIR           where the backups lie, best on another disk (now: backups in the data folder)"
    echo "  --back-up               makes a backup now, also beside a running server"
    echo "  --list-backups          names the backups that there are"
    echo "  --write-club FILE       writes the whole club as one archive"
    echo "  --read-club FILE        reads such an archive into a folder that holds no club"
    echo "  --restore NAME [--yes]  tells what a restore would change; with --yes it restores, while no server runs"
  fi
}

need() { [ $# -ge 2 ] || fail "$1 needs a value; ./$kind --help tells more."; }

while [ $# -gt 0 ]; do
  case $1 in
    --port) need "$@"; port=$2; shift 2 ;;
    --data) need "$@"; data=$2; shift 2 ;;
    --today) [ "$kind" = demo ] || fail "--today is for the demo only."; need "$@"; today=$2; shift 2 ;;
    --grown)
      [ "$kind" = demo ] || fail "--grown is for the demo only."
      need "$@"
      grown=$2
      shift 2
      ;;
    --reset) [ "$kind" = demo ] || fail "--reset is for the demo only."; reset=yes; shift ;;
    --recover) [ "$kind" = club ] || fail "--recover is for a real club only."; need "$@"; command=(--recover "$2"); shift 2 ;;
    --verify-audit)
      command=("--verify-audit=")
      shift
      if [ $# -gt 0 ] && [[ $1 != --* ]]; then command=("--verify-audit=$1"); shift; fi
      ;;
    --backups) [ "$kind" = club ] || fail "--backups is for a real club only."; need "$@"; backups=(--backups "$2"); shift 2 ;;
    --back-up) command=("--back-up=yes"); shift ;;
    --list-backups) command=("--list-backups=yes"); shift ;;
    --write-club) need "$@"; command=(--write-club "$(realpath -m "$2")"); shift 2 ;;
    --read-club) [ "$kind" = club ] || fail "--read-club is for a real club only."; need "$@"; command=(--read-club "$(realpath -m "$2")"); shift 2 ;;
    --restore) need "$@"; command=(--restore "$2"); shift 2 ;;
    --yes) [ ${#command[@]} -gt 0 ] || fail "--yes goes after --restore NAME."; command+=(--yes true); shift ;;
    --help|-h) usage; exit 0 ;;
    *) fail "Unknown option $1; ./$kind --help tells more." ;;
  esac
done

[[ $port =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "--port: \"$port\" is not a port; choose one from 1024 to 65535."
if [ -n "$today" ] && [ "$today" != now ] && ! [[ $today =~ ^[0-9]{4}-[0-9]{2}-[0-9]{2}$ ]]; then
  fail "--today: \"$today\" is not a date; write it as 2026-03-16, or now."
fi

if [ -n "$grown" ]; then
  [[ $grown =~ ^[0-9]+x[0-9]+$ ]] || fail "--grown: \"$grown\" is no size; write athletes and years as 60x1."
  data=$data/grown-$grown
fi

command -v dotnet >/dev/null || fail "The .NET SDK 10 is missing: install it, then run this again."
(cd "$root" && dotnet --version >/dev/null 2>&1) || fail "The installed .NET SDK is too old: Cumbre needs version 10."
command -v node >/dev/null || fail "Node is missing: install Node 20.19 or later, then run this again."
command -v npm >/dev/null || fail "npm is missing: it comes with Node 20.19 or later."
node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' \
  || fail "Node $(node --version) is too old: Cumbre needs 20.19 or later."

mkdir -p "$data" 2>/dev/null && [ -w "$data" ] || fail "The data folder $data cannot be written: choose another with --data."
if [ ${#command[@]} -eq 0 ] && (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; then
  fail "Port $port is in use: stop the other program, or choose another with --port."
fi

app=$root/artifacts/app
stamp=$app/.built
sources=("$root/src" "$root/catalogue" "$root/Directory.Build.props" "$root/Directory.Packages.props" "$root/global.json")
if [ ! -f "$stamp" ] || [ -n "$(find "${sources[@]}" \( -name node_modules -o -name bin -o -name obj -o -name wwwroot -o -path '*/cumbre-web/api' \) -prune -o -type f -newer "$stamp" -print -quit)" ]; then
  echo "Building Cumbre; the first time takes a few minutes."
  log=$root/artifacts/build.log
  mkdir -p "$app"
  rm -f "$stamp"
  started=$(mktemp)
  if ! dotnet publish "$root/src/Cumbre.Server" -c Release -o "$app" -p:RunAnalyzers=false --nologo -v quiet >"$log" 2>&1; then
    tail -n 20 "$log" >&2
    fail "The build failed; all of it stands in artifacts/build.log."
  fi
  # Dated from before the build, so that a file saved meanwhile is built next time.
  mv "$started" "$stamp"
fi

if [ "$reset" = yes ]; then
  rm -f "$data"/cumbre.db "$data"/cumbre.db-* "$data"/cumbre.db.before-*
  rm -rf "$data/backups"
fi

if [ ${#command[@]} -gt 0 ]; then
  exec dotnet "$app/Cumbre.Server.dll" --data "$data" "${backups[@]}" "${command[@]}"
fi

arguments=(--data "$data" "${backups[@]}" --urls "http://127.0.0.1:$port")
[ "$kind" = demo ] && arguments+=(--demo true)
[ -n "$grown" ] && arguments+=(--grown "$grown")
[ -n "$today" ] && arguments+=(--today "$today")
exec dotnet "$app/Cumbre.Server.dll" "${arguments[@]}"
