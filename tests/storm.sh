#!/usr/bin/env bash
# Mixed writes while application and database are killed, so many minutes (60): tests/storm.sh 60, with OAKEN_HOME and PORT of its own.
set -u
cd "$(dirname "$(readlink -f "$0")")/.." || exit 1
home=${OAKEN_HOME:?}
port=${PORT:?}
export OAKEN_ADDRESS="http://127.0.0.1:$port"
bin/start >"$home.start.log" 2>&1 &
started=$!
trap 'kill "$started" 2>/dev/null; wait "$started" 2>/dev/null' EXIT
for _ in $(seq 480); do
  grep -q '^Ready' "$home.start.log" && break
  kill -0 "$started" 2>/dev/null || { cat "$home.start.log"; exit 1; }
  sleep 0.5
done
. bin/lib.sh
pg_port=$(sed -n 4p "$(cluster_folder)/postmaster.pid")
export OAKEN_OWNER_URL="postgresql://oaken:$(cat "$home/database.password")@127.0.0.1:$pg_port/oaken"
export OAKEN_DATABASE_URL="postgresql://oaken_app:$(cat "$home/app.password")@127.0.0.1:$pg_port/oaken"
export OAKEN_MASTER_KEY_FILE="$home/master.key" STORM_START=$started STORM_DATA=$(cluster_folder)
npx esbuild bench/load/storm.ts --bundle --packages=external --platform=node --format=esm --log-level=error | node --input-type=module - "${1:-60}"
