# Sourced by ./start and ./test: what this machine must have before Rise Pan can be built.
# Every failure is one clear line on standard error and a non-zero exit.

fail() { printf '%s: %s\n' "$NAME" "$*" >&2; exit 1; }
say() { printf '%s\n' "$*"; }

# older VERSION LEAST: is VERSION below LEAST?
older() { [ "$1" != "$2" ] && [ "$(printf '%s\n%s\n' "$1" "$2" | sort -V | head -n 1)" = "$1" ]; }

need_go() {
  command -v go >/dev/null || fail "Go is missing: install Go 1.26 or newer and put it on the PATH"
  local v
  v=$(GOTOOLCHAIN=local go env GOVERSION); v=${v#go}
  older "$v" 1.26 && fail "Go $v is too old: Rise Pan needs Go 1.26 or newer"
  return 0
}

need_tools() {
  need_go
  command -v node >/dev/null || fail "Node.js is missing: install Node.js 20.19 or newer and put it on the PATH"
  command -v npm >/dev/null || fail "npm is missing: it comes with Node.js 20.19 or newer"
  local v
  v=$(node --version); v=${v#v}
  older "$v" 20.19 && fail "Node.js $v is too old: Rise Pan needs Node.js 20.19 or newer"
  return 0
}

# need_package PACKAGE PROGRAM: installs a Debian package when its program is not there.
need_package() {
  PATH="$PATH:/usr/sbin" command -v "$2" >/dev/null && return 0
  command -v apt-get >/dev/null || fail "$2 is missing and this is not Debian: install $1 by hand"
  [ "$(id -u)" = 0 ] || fail "$2 is missing: run this once as root, or as root run: apt-get install $1"
  say "Installing Debian package $1 ..."
  if [ -z "${APT_UPDATED:-}" ]; then
    DEBIAN_FRONTEND=noninteractive apt-get update -qq >/dev/null 2>&1 || fail "apt-get update failed: is Debian's package server within reach?"
    APT_UPDATED=1
  fi
  local log
  log=$(DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1" 2>&1) \
    || fail "apt-get install $1 failed: $(printf '%s' "$log" | tail -n 1)"
}

# hash_of FILE...: one hash over the names and contents of files and of all files below folders.
hash_of() { find "$@" -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-40; }

# The front end: npm packages when the lock file changed, the build when a source changed.
build_ui() {
  local want
  want=$(hash_of ui/package-lock.json ui/package.json)
  if [ "$(cat ui/node_modules/.prepared 2>/dev/null)" != "$want" ]; then
    say "Fetching the front end's packages ..."
    (cd ui && npm ci --no-audit --no-fund --loglevel=error) >&2 || fail "npm ci failed: is the npm registry within reach?"
    echo "$want" > ui/node_modules/.prepared
  fi
  want=$(hash_of ui/src ui/public ui/index.html ui/vite.config.ts ui/tsconfig.json ui/package-lock.json)
  if [ "$(cat ui/node_modules/.built 2>/dev/null)" != "$want" ] || [ ! -f ui/dist/index.html ]; then
    say "Building the front end ..."
    local log
    log=$(cd ui && npm run --silent build 2>&1) || { printf '%s\n' "$log" >&2; fail "the front end does not build"; }
    echo "$want" > ui/node_modules/.built
  fi
}

build_server() {
  say "Building the server (the first time takes a minute or two) ..."
  mkdir -p var/bin 2>/dev/null || fail "cannot write to $(pwd)/var: choose a folder that you may write to"
  go build -o var/bin/rise-pan ./cmd/rise-pan || fail "the server does not build"
}
