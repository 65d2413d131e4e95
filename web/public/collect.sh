#!/bin/sh
# Prints what this machine says of its memory, as one text: memory devices, the contents of the
# modules where they can be read, memory in use, swap. Reads only; changes nothing, sends nothing.
# Run it as root (sudo sh collect.sh): without that most machines keep the memory devices to themselves.
#
# TEMBRIX_ROOT may name another root folder to read from, for tests.
root="${TEMBRIX_ROOT:-}"

say() { printf '\n== %s ==\n' "$1"; }
have() { command -v "$1" >/dev/null 2>&1; }
bytes() { od -A x -t x1 "$1"; }

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
