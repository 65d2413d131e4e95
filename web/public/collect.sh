#!/bin/sh
# Prints what this machine says of its memory, as one text: memory devices, the contents of the
# modules where they can be read, memory in use, swap. Reads only; changes nothing.
# Run it as root (sudo sh collect.sh): without that most machines keep the memory devices to themselves.
# With an address and a code of the job it sends the text there instead (sudo sh collect.sh
# http://192.0.2.10:4311 123456); without them it sends nothing.
#
# TEMBRIX_ROOT may name another root folder to read from, for tests.
root="${TEMBRIX_ROOT:-}"

say() { printf '\n== %s ==\n' "$1"; }
have() { command -v "$1" >/dev/null 2>&1; }
bytes() { od -A x -t x1 "$1"; }

collect() {
say 'memory report 1'
for name in product_name product_version board_name; do
  file="$root/sys/class/dmi/id/$name"
  [ -r "$file" ] && printf '%s is %s\n' "$name" "$(cat "$file")"
done

say 'memory devices'
table="$root/sys/firmware/dmi/tables/DMI"
if [ -r "$table" ]; then
  bytes "$table"
elif [ -z "$root" ] && have lshw; then
  lshw -C memory 2>/dev/null
else
  echo '(the memory devices cannot be read: run this as root)'
fi

say 'module contents'
found=
for file in "$root"/sys/bus/i2c/drivers/ee1004/*/eeprom \
            "$root"/sys/bus/i2c/drivers/spd5118/*/eeprom \
            "$root"/sys/bus/i2c/drivers/at24/*/eeprom; do
  [ -r "$file" ] || continue
  found=yes
  printf 'contents %s\n' "$file"
  bytes "$file"
  echo
done
[ -n "$found" ] || echo '(no module shows its contents)'

say 'memory in use'
cat "$root/proc/meminfo" 2>/dev/null || echo '(not shown)'

say 'swap'
cat "$root/proc/swaps" 2>/dev/null || echo '(not shown)'
say 'end'
}

send() {
  url="$1/api/v1/probe/report/$2"
  if have curl; then
    collect | curl -sS -X POST -H 'Content-Type: text/plain' --data-binary @- "$url"
  elif have wget; then
    text=$(mktemp)
    collect >"$text"
    wget -q -O - --header 'Content-Type: text/plain' --post-file "$text" "$url"
    sent=$?
    rm -f "$text"
    return $sent
  else
    echo 'Neither curl nor wget is here to send it with; this is the text:' >&2
    collect
    return 1
  fi
}

if [ $# -ge 2 ]; then send "${1%/}" "$2"; else collect; fi
