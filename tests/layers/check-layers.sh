#!/usr/bin/env bash
# Plants an import that each layer may not have and sees that the linter catches it: a rule that does not bite is no rule.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/../.."
node tests/layers/write-layers.mjs --check
planted=()
trap 'rm -f "${planted[@]}"' EXIT

plant() { # folder, forbidden module
  local file="$1/planted-violation-${#planted[@]}.ts"
  planted+=("$file")
  printf "import * as planted from '%s'\n\nexport const use = planted\n" "$2" >"$file"
}

for layer in units circuit wiring operation bench faults protection readings job cable repair prove diagnosis advice quick-line practice formats; do
  plant "src/core/$layer" react
  plant "src/core/$layer" node:fs
  plant "src/core/$layer" @/src/server/store
  plant "src/core/$layer" @/src/ui/desk/desk
done
plant src/core/units @/src/core/circuit/network
plant src/core/circuit @/src/core/wiring/system
plant src/core/wiring @/src/core/bench/bench
plant src/core/bench @/src/core/readings/check
plant src/core/faults @/src/core/diagnosis/engine
plant src/core/operation @/src/core/readings/world
plant src/core/operation @/src/core/bench/bench
plant src/core/job @/src/core/diagnosis/planner/propose
plant src/core/cable @/src/core/repair/of-job
plant src/core/repair @/src/core/diagnosis/engine
plant src/core/diagnosis @/src/core/advice/advise
plant src/core/advice @/src/core/quick-line/read-line
plant src/core/quick-line @/src/core/practice/demo
plant src/core/protection @/src/core/job/fold
plant src/core/readings @/src/core/diagnosis/engine
plant src/ui/desk @/src/server/jobs
plant src/ui/desk drizzle-orm
plant src/workers @/src/server/jobs
plant src/server @/src/ui/desk/desk
plant src/server react
plant src/app @/cli/main
plant src/app drizzle-orm

# Two files that import each other's types.
circle=(src/core/units/planted-circle-a.ts src/core/units/planted-circle-b.ts)
planted+=("${circle[@]}")
printf "import type { B } from '@/src/core/units/planted-circle-b'\n\nexport type A = B | 1\n" >"${circle[0]}"
printf "import type { A } from '@/src/core/units/planted-circle-a'\n\nexport type B = A | 2\n" >"${circle[1]}"

found="$(node_modules/.bin/biome lint --only=style/noRestrictedImports --only=suspicious/noImportCycles --max-diagnostics=none --reporter=github "${planted[@]}" 2>&1 || true)"
failed=0
for file in "${planted[@]}"; do
  if ! grep -q "/$file," <<<"$found"; then
    echo "not caught: $file: $(head -1 "$file")"
    failed=1
  fi
done
# A plain object that is looked up by any word is caught in each of these, too.
for folder in src/core/job src/app src/server src/ui/desk cli; do
  file="$folder/planted-record.ts"
  planted+=("$file")
  printf 'export const words: Record<string, number> = {}\n' >"$file"
  told="$(node_modules/.bin/biome lint --reporter=github "$file" 2>&1 || true)"
  grep -q 'looked up by a word' <<<"$told" || {
    echo "not caught: $file: $(head -1 "$file")"
    failed=1
  }
done
[ "$failed" -eq 0 ] && echo "Every one of ${#planted[@]} planted violations was caught."
exit "$failed"
