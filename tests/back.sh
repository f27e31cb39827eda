#!/usr/bin/env bash
# Whatever stops comes back by itself: bin/start is begun, its database and its application are killed, one after the other and both at once.
# Then it is backed up while it runs, and comes back from that in another folder, page for page.
set -u
cd "$(dirname "$(readlink -f "$0")")/.." || exit 1
home=${OAKEN_HOME:?}
port=${PORT:?}
address="http://127.0.0.1:$port"
bin/start >"$home.start.log" 2>&1 &
started=$!
again=''
trap 'kill "$started" $again 2>/dev/null; wait 2>/dev/null' EXIT
pass() { node -e '
  const until = Date.now() + Number(process.argv[2]);
  (async () => {
    while (Date.now() < until) {
      const begun = Date.now();
      const said = await fetch(process.argv[1], { signal: AbortSignal.timeout(4000) }).then((r) => r.json()).catch(() => null);
      // An answer counts where it came within two seconds; the first after a start may take longer, and is asked for again.
      if (said?.database === process.argv[3] && Date.now() - begun <= 2000) process.exit(0);
      await new Promise((soon) => setTimeout(soon, 200));
    }
    process.exit(1);
  })()' "$address/health" "$1" "$2" || { echo "$3"; cat "$home.start.log"; exit 1; }; }
page() { node -e 'fetch(process.argv[1]).then(async(r)=>process.exit(r.status===200&&(await r.text()).includes("Sign in")?0:1),()=>process.exit(1))' "$address/sign-in" || { echo "$1"; exit 1; }; }
. bin/lib.sh
database() { head -1 "$(cluster_folder)/postmaster.pid"; }
application() { pgrep -P "$started" -f 'bin/serve.mjs' | head -1; }
# The processes that answer, behind one port.
answering() { pgrep -P "$(application)"; }

pass 240000 well 'it did not start'
page 'its first page did not come'
# A database that is ended as by a full disk: at once, and by nobody of ours.
kill -QUIT "$(database)" || exit 1
pass 15000 well 'the database did not come back'
page 'pages did not come back with the database'
# One that answers is killed: the other goes on, and there are as many again.
many=$(answering | wc -l)
kill -9 "$(answering | head -1)" || exit 1
page 'pages did not go on with one process less'
for _ in $(seq 40); do [ "$(answering | wc -l)" = "$many" ] && break; sleep 0.25; done
[ "$(answering | wc -l)" = "$many" ] || { echo 'a process did not come back'; exit 1; }
kill -9 "$(application)" || exit 1
pass 30000 well 'the application did not come back'
page 'pages did not come back with the application'
{ kill -QUIT "$(database)" && kill -9 "$(application)"; } || exit 1
pass 45000 well 'the two did not come back together'
page 'pages did not come back after both'
# One that is still there and answers nobody: the database is stopped in its tracks, and health says which part it is, soon.
for child in $(pgrep -P "$(database)") $(database); do kill -STOP "$child"; done
pass 15000 'does not answer' 'health did not say within two seconds which part is not well'
for child in $(database) $(pgrep -P "$(database)"); do kill -CONT "$child"; done
pass 15000 well 'it was not well again'

# Backed up while it runs. What does not open says why, and changes nothing. It takes minutes: with OAKEN_REHEARSE=yes.
[ "${OAKEN_REHEARSE:-}" = yes ] || exit 0
export OAKEN_PASSPHRASE='three herons wait'
backup="$home.backup" other="$home.other"
rm -rf "$backup" "$other"
# What is done beside requests is done by then: it would go on in one of the two and not yet in the other.
waits() { PGPASSWORD=$(cat "$home/database.password") "$(pg_bin)/psql" -h 127.0.0.1 -p "$(sed -n 4p "$(cluster_folder)/postmaster.pid")" -U oaken -d oaken -qAt -c "select count(*) from pgboss.job where state in ('created', 'retry', 'active') and start_after <= now()"; }
for _ in $(seq 60); do [ "$(waits)" = 0 ] && break; sleep 1; done
bin/backup "$backup" >"$home.backup.log" 2>&1 || { echo 'it was not backed up'; cat "$home.backup.log"; exit 1; }
refused() { # said, more
  OAKEN_HOME="$other" PORT=$((port + 5)) bin/restore "$backup" >"$home.restore.log" 2>&1 && { echo "restored, where it should have been refused: $1"; exit 1; }
  grep -q "$1" "$home.restore.log" || { echo "not said: $1"; cat "$home.restore.log"; exit 1; }
  [ ! -e "$other/master.key" ] && [ ! -e "$other/postgres" ] || { echo "something was left: $1"; exit 1; }
}
OAKEN_PASSPHRASE='three herons went' refused 'This passphrase does not open it. Nothing was changed'
truncate -s -1 "$backup" && refused 'The file is not whole'
bin/backup "$backup" >"$home.backup.log" 2>&1 || { echo 'it was not backed up again'; exit 1; }
OAKEN_HOME="$other" PORT=$((port + 5)) bin/restore "$backup" >"$home.restore.log" 2>&1 || { echo 'it was not restored'; cat "$home.restore.log"; exit 1; }
OAKEN_HOME="$other" bin/restore "$backup" >"$home.restore.log" 2>&1 && { echo 'restored over what is there'; exit 1; }
OAKEN_HOME="$other" PORT=$((port + 5)) bin/start >"$other.start.log" 2>&1 &
again=$!
address="http://127.0.0.1:$((port + 5))" pass 120000 well 'what was restored did not start'
node tests/samePages.mjs "$address" "http://127.0.0.1:$((port + 5))" || exit 1
