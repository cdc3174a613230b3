# To be sourced: hundreds of databases are made and synced by the tests: in memory where there is room, since a shared disk keeps everybody waiting.
room=$(df -Pm /dev/shm 2>/dev/null | awk 'NR==2 { print $4 }')
if [ "${room:-0}" -ge 4000 ] && [ -w /dev/shm ]; then
  TMPDIR=$(mktemp -d /dev/shm/rondeau-tests-XXXXXX)
  export TMPDIR
  trap 'rm -rf "$TMPDIR"' EXIT
fi
