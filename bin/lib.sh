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

# One line that changes whenever a file the product is built from does.
fingerprint() {
  find src web global.json Directory.Build.props Directory.Packages.props \
    -type f -not -path '*/node_modules/*' -not -path '*/wwwroot/*' -not -name 'packages.lock.json' -printf '%p %s %T@\n' | LC_ALL=C sort | sha256sum
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
