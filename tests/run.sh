#!/usr/bin/env bash
# All checks, each run even where one before it failed, and one line of counts at the end.
# ./rondeau test [unit|e2e] runs a part; ./rondeau test quick lint, types and the tests that answer at once, for the hand.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
part=${1:-all}
bin=node_modules/.bin
failed=0
check() { # name, command...
  local name=$1; shift
  printf '\n== %s\n' "$name"
  "$@" && return
  failed=$((failed + 1)); printf 'rondeau test: %s FAILED\n' "$name"
}
mkdir -p test-results && rm -f test-results/*.json

. tests/in-memory.sh

if [ "$part" != e2e ]; then
  check lint $bin/biome check --error-on-warnings .
  check typecheck bash -c "node node_modules/next/dist/bin/next typegen >/dev/null && $bin/tsc --noEmit"
  check "unit and property tests" $bin/vitest run --reporter=default --reporter=json --outputFile.json=test-results/unit.json
fi
if [ "$part" = all ] || [ "$part" = e2e ]; then
  check build bash -c "./rondeau build"
  check "browser tests" $bin/playwright test
fi
node tests/counts.mjs "$failed" test-results/unit.json test-results/browser.json
