#!/bin/sh
# Restarts the processes of a machine one after the other, each taken out of nginx before it stops: nobody's request is lost.
#   rolling-restart.sh 4310 4311
# What it does can be set by the environment: PROCESSES (the file that nginx includes), RELOAD and RESTART (commands; RESTART is given
# the port), STATIC and BUILD (where code of pages is kept for all builds, and that of the new one), QUIET (seconds for what is under way).
set -eu
PROCESSES=${PROCESSES:-/etc/nginx/pembit-processes.conf}
RELOAD=${RELOAD:-nginx -s reload}
RESTART=${RESTART:-restart_unit}
STATIC=${STATIC:-/var/lib/pembit-builds/_next/static}
BUILD=${BUILD:-/opt/pembit/.next/static}
QUIET=${QUIET:-3}

restart_unit() { systemctl restart "pembit@$1"; }
is_ready() { curl -fsS -m 5 "http://127.0.0.1:$1/api/health" 2>/dev/null | grep -q '"ready":true'; }

# Pages of the build before go on finding their code.
mkdir -p "$STATIC"
cp -R "$BUILD/." "$STATIC/"

for port in "$@"; do
    sed -i "s/^\( *server [^;]*:$port [^;]*\);/\1 down;/" "$PROCESSES"
    $RELOAD
    sleep "$QUIET"
    $RESTART "$port"
    tries=0
    until is_ready "$port"; do
        tries=$((tries + 1))
        if [ "$tries" -gt 60 ]; then
            echo "The process on port $port did not come back. It stays out; the others go on." >&2
            exit 1
        fi
        sleep 1
    done
    sed -i "s/^\( *server [^;]*:$port [^;]*\) down;/\1;/" "$PROCESSES"
    $RELOAD
    echo "Port $port runs anew."
done
