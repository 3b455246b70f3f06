# Sourced by bin/start, bin/test and bin/keen: makes sure Node, Debian packages and npm packages are here.
# Everything is said on standard error, so that bin/keen's standard output stays clean.

say() { printf '%s\n' "$*" >&2; }

need_node() {
  if ! command -v node >/dev/null 2>&1; then
    say "Node.js is missing. Install Node 20.12 or newer, then start again."
    exit 1
  fi
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 12) ? 0 : 1)' || {
    say "Node $(node --version) is too old: 20.12 or newer is needed."
    exit 1
  }
}

# need_debian COMMAND PACKAGE: installs the package when the command is not there.
need_debian() {
  local command=$1 package=$2
  if command -v "$command" >/dev/null 2>&1 || [ -x "/usr/sbin/$command" ]; then return; fi
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    if command -v sudo >/dev/null 2>&1 && sudo -n true 2>/dev/null; then as=(sudo -n); else
      say "The Debian package '$package' is missing, and this user may not install it."
      say "Ask someone who may to run:  apt-get install $package"
      exit 1
    fi
  fi
  if ! command -v apt-get >/dev/null 2>&1; then
    say "'$command' is missing and there is no apt-get here. Install $package by hand, then start again."
    exit 1
  fi
  say "Installing $package ..."
  local log
  log=$(mktemp)
  if ! { "${as[@]}" apt-get update && "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "$package"; } >"$log" 2>&1; then
    tail -n 15 "$log" >&2
    say "apt-get could not install $package. The last lines it wrote are above."
    exit 1
  fi
  rm -f "$log"
}

# need_npm: installs the locked packages when they are missing or the lock has changed.
need_npm() {
  local stamp=node_modules/.keen-lock
  if [ -f "$stamp" ] && cmp -s package-lock.json "$stamp"; then return; fi
  say "Installing the npm packages of the lock file ..."
  local log
  log=$(mktemp)
  # Once more when it fails: a registry that hiccups is no reason to give up.
  if ! npm ci --no-audit --no-fund >"$log" 2>&1 && ! npm ci --no-audit --no-fund >"$log" 2>&1; then
    tail -n 20 "$log" >&2
    say "npm could not install the packages. The last lines it wrote are above."
    exit 1
  fi
  rm -f "$log"
  cp package-lock.json "$stamp"
}
