#!/bin/sh
# Checks an exported briefing (the web page) without the application: whether what was signed still
# has the checksum that it was signed with. Needs sed, base64 and sha256sum.
set -eu
page=${1:?usage: check-briefing.sh FILE.html}
given=$(sed -n 's/.*name="briefing-checksum" content="\([0-9a-f]*\)".*/\1/p' "$page")
content=$(sed -n 's/.*<!-- briefing-content:\([A-Za-z0-9+\/=]*\) -->.*/\1/p' "$page")
if [ -z "$given" ] || [ -z "$content" ]; then
  echo "This page holds no signed briefing: it is a draft, or a copy that leaves parts out." >&2
  exit 2
fi
found=$(printf %s "$content" | base64 -d | sha256sum | cut -d' ' -f1)
if [ "$found" != "$given" ]; then
  echo "The signed content was changed: its checksum is $found, signed was $given." >&2
  exit 1
fi
echo "The signed content is whole: $given"
