# What bin/demo and bin/test share. Meant to be sourced from the root of the project.
built_stamp=artifacts/built.stamp
server_dll=artifacts/bin/JauntyBadge.Server/release/JauntyBadge.Server.dll

# from_here PATH: a path as the person who typed it meant it, from where they stood before the script went to the root of the project.
stood="$OLDPWD"
from_here() { case "$1" in /*) echo "$1" ;; *) realpath -m "$stood/$1" ;; esac; }

need_tools() {
  local missing=0
  for tool in dotnet node npm curl; do
    command -v "$tool" >/dev/null || { echo "$tool is missing; the README names what is needed." >&2; missing=1; }
  done
  return $missing
}

# npm_install DIR: installs DIR's packages when there are none or the lock file has changed since.
npm_install() {
  local stamp="$1/node_modules/.installed"
  if [ ! -f "$stamp" ] || [ "$1/package-lock.json" -nt "$stamp" ]; then
    echo "Installing the packages of $1 …"
    (cd "$1" && npm ci --no-audit --no-fund --loglevel=error)
    touch "$stamp"
  fi
}

# One line that changes whenever what the product is built from does. A file written anew with what it had does not count: building empties what is served.
fingerprint() {
  find src web global.json Directory.Build.props Directory.Packages.props \
    -type f -not -path '*/node_modules/*' -not -path '*/wwwroot/*' -not -name 'packages.lock.json' -print0 | LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum
}

build_front_end() {
  npm_install web
  (cd web && npm run --silent build -- --logLevel warn)
}

# Builds front and back end unless nothing has changed since the last time.
build_if_changed() {
  if [ -f "$built_stamp" ] && [ -f "$server_dll" ] && [ -f src/JauntyBadge.Server/wwwroot/index.html ] && [ "$(fingerprint)" = "$(cat "$built_stamp")" ]; then
    return
  fi
  echo "Building the front end …"
  build_front_end
  echo "Building the server …"
  dotnet build src/JauntyBadge.Server -c Release -v quiet --nologo
  fingerprint >"$built_stamp"
}

# The folder of a practice of one's own where there is one, else the demo's.
usual_data() { [ -d practice ] && echo practice || echo data; }

# need_free_port PORT: a number on which nothing answers yet.
need_free_port() {
  [[ "$1" =~ ^[0-9]+$ ]] || { echo "--port needs a number, not $1" >&2; exit 2; }
  if (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; then
    echo "Something else answers on port $1 already. Stop it, or choose another with --port." >&2
    exit 1
  fi
}

# serve PORT DATA [OPTION…]: builds what changed, serves the practice of a folder until it is stopped, and says when it answers.
serve() {
  local port="$1" data="$2" address="http://127.0.0.1:$1"
  shift 2
  need_free_port "$port"
  need_tools
  build_if_changed
  dotnet "$server_dll" --contentRoot "$PWD/src/JauntyBadge.Server" --urls "$address" --data "$data" "$@" &
  server=$!
  # Whatever ends this script ends the server too, and lets it finish what it is writing.
  end() { trap - INT TERM EXIT; kill -TERM "$server" 2>/dev/null || true; wait "$server" 2>/dev/null || true; exit "$1"; }
  trap 'end 0' INT TERM
  trap 'end $?' EXIT

  for _ in $(seq 300); do
    kill -0 "$server" 2>/dev/null || { wait "$server"; exit $?; }
    if curl -sf -o /dev/null "$address/api/health"; then
      echo "Jaunty Badge answers at $address (data in $data). Ctrl-C ends it."
      break
    fi
    sleep 0.2
  done
  wait "$server"
}
