#!/usr/bin/env bash
# Installs what is missing on a Debian machine: for the demo PostgreSQL and the
# front end's packages, for the tests also a browser, the drawing judge and the
# PDF tools. Says what it does and does nothing when nothing is missing.
set -euo pipefail
cd "$(dirname "$0")/.."
mode=${1:-demo}

need=()
ls /usr/lib/postgresql/*/bin/postgres >/dev/null 2>&1 || need+=(postgresql)
if [ "$mode" = test ]; then
  command -v chromium-headless-shell >/dev/null 2>&1 || need+=(chromium-headless-shell)
  /usr/bin/python3 -c 'import ezdxf' 2>/dev/null || need+=(python3-ezdxf)
  command -v pdftocairo >/dev/null 2>&1 || need+=(poppler-utils)
  command -v gcc >/dev/null 2>&1 || need+=(gcc libc6-dev) # the race detector is linked by it
fi
command -v git >/dev/null 2>&1 || need+=(git)
command -v node >/dev/null 2>&1 || need+=(nodejs npm)
if [ ${#need[@]} -gt 0 ]; then
  echo "Installing ${need[*]}"
  as_root=()
  [ "$(id -u)" = 0 ] || as_root=(sudo)
  # The packaged server would start a cluster of its own; the program runs a private one.
  [ -e /etc/postgresql-common/createcluster.conf ] || {
    "${as_root[@]}" mkdir -p /etc/postgresql-common
    echo 'create_main_cluster = false' | "${as_root[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  }
  "${as_root[@]}" apt-get update -qq
  "${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${need[@]}" >/dev/null
fi
command -v go >/dev/null 2>&1 || { echo "Go 1.26 or later is needed: put it on the PATH." >&2; exit 1; }
major=$(node --version | sed 's/v\([0-9]*\).*/\1/')
[ "$major" -ge 20 ] || { echo "Node.js 20 or later is needed to build the front end, this is $(node --version)." >&2; exit 1; }
if [ ui/package-lock.json -nt ui/node_modules/.installed ]; then
  echo "Installing the front end's packages"
  (cd ui && npm ci --no-audit --no-fund --loglevel=error)
  touch ui/node_modules/.installed
fi
