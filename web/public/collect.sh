#!/bin/sh
# Prints what this machine says of its memory, as one text: memory devices, the contents of the
# modules where they can be read, memory in use, hardware errors logged, swap. Reads only; changes nothing.
# Run it as root (sudo sh collect.sh): without that most machines keep the memory devices to themselves.
# With an address and a code of the job it sends the text there instead (sudo sh collect.sh
# http://192.0.2.10:4311 123456); without them it sends nothing.
#
# TEMBRIX_ROOT may name another root folder to read from, for tests.
root="${TEMBRIX_ROOT:-}"

say() { printf '\n== %s ==\n' "$1"; }
have() { command -v "$1" >/dev/null 2>&1; }
bytes() { od -A x -t x1 "$1"; }

table="$root/sys/firmware/dmi/tables/DMI"

# Why the memory devices cannot be read, in words; nothing where they can.
devices_fault() {
  [ -r "$table" ] && return
  if [ -e "$table" ] || [ "$(id -u)" != 0 ]; then
    echo 'the memory devices cannot be read: run this as root'
  elif [ -n "$root" ] || ! have lshw; then
    echo 'the memory devices cannot be read: this machine keeps no table of them'
  fi
}

collect() {
say 'memory report 1'
for name in product_name product_version board_name; do
  file="$root/sys/class/dmi/id/$name"
  [ -r "$file" ] && printf '%s is %s\n' "$name" "$(cat "$file")"
done

say 'memory devices'
fault=$(devices_fault)
if [ -n "$fault" ]; then
  echo "($fault)"
elif [ -r "$table" ]; then
  bytes "$table"
else
  lshw -C memory 2>/dev/null
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

say 'system'
uname -m

say 'hardware errors, since the start'
errors=
[ -z "$root" ] && errors=$( (journalctl -k --no-pager || dmesg) 2>/dev/null |
  grep -E 'EDAC MC[0-9]+: [0-9]+ [CU]E|[Mm]achine [Cc]heck' | tail -n 200)
counted=$(grep . "$root"/sys/devices/system/edac/mc/mc*/[cu]e_count \
  "$root"/sys/devices/system/edac/mc/mc*/dimm*/dimm_label \
  "$root"/sys/devices/system/edac/mc/mc*/dimm*/dimm_[cu]e_count 2>/dev/null)
if [ -n "$errors$counted" ]; then
  [ -n "$counted" ] && echo "$counted"
  [ -n "$errors" ] && echo "$errors"
elif [ "$(id -u)" = 0 ]; then
  echo '(none logged)'
else
  echo '(not shown: run this as root)'
fi

say 'swap'
cat "$root/proc/swaps" 2>/dev/null || echo '(not shown)'
say 'end'
}

# Words for an answer that is not a yes: its own message, else what its number means.
refusal() {
  message=$(sed -n 's/.*"message":"\([^"]*\)".*/\1/p' "$answer" 2>/dev/null | head -n 1)
  if [ -n "$message" ]; then
    echo "$message"
    return
  fi
  case "$1" in
    404 | 410) echo 'The code is not known there or has run out. Make a new one in the job.' ;;
    413) echo 'The report is too long.' ;;
    429) echo 'Too many wrong codes. Wait ten minutes.' ;;
    '' | 000) echo "No answer from $2. Is this machine in the shop's network, and is the probe on there?" ;;
    *) echo "The shop's computer refused it (answer $1)." ;;
  esac
}

send() {
  url="$1/api/v1/probe/report/$2"
  text=$(mktemp) && answer=$(mktemp) || exit 1
  collect >"$text"
  status=
  if have curl; then
    status=$(curl -sS -o "$answer" -w '%{http_code}' -X POST -H 'Content-Type: text/plain' \
      --data-binary @"$text" "$url" 2>/dev/null)
  elif have wget; then
    log=$(wget -O "$answer" --header 'Content-Type: text/plain' --post-file "$text" "$url" 2>&1) &&
      status=200
    [ -n "$status" ] || status=$(echo "$log" | sed -n 's/.*\(HTTP\/1\.[01]\|ERROR\) \([0-9][0-9][0-9]\).*/\2/p' | head -n 1)
  else
    echo 'Neither curl nor wget is here to send it with.' >"$answer.why"
  fi
  case "$status" in
    2*)
      cat "$answer"
      rm -f "$text" "$answer"
      ;;
    *)
      if [ -f "$answer.why" ]; then cat "$answer.why" >&2; else refusal "$status" "$1" >&2; fi
      echo "It was not sent. The report is kept in $text: paste it in the job." >&2
      rm -f "$answer" "$answer.why"
      return 1
      ;;
  esac
}

if [ $# -ge 2 ]; then send "${1%/}" "$2" || exit 1; else collect; fi
fault=$(devices_fault)
[ -z "$fault" ] && exit 0
echo "Not all is in the report: $fault." >&2
exit 1
