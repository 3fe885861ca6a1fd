#!/usr/bin/env bash
# The time of another program for what BenchmarkStiffness measures. It is installed
# for this alone, and nothing else uses it.
set -euo pipefail
cd "$(dirname "$0")/.."
/usr/bin/python3 -c 'import scipy' 2>/dev/null || apt-get install -y -qq python3-scipy >/dev/null
export OMP_NUM_THREADS=1 OPENBLAS_NUM_THREADS=1
/usr/bin/python3 scripts/superlu.py
GOMAXPROCS=1 CGO_ENABLED=0 go test -run '^$' -bench Stiffness -benchtime 3x ./core/frame
