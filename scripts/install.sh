# Shared by start and check: Node there, packages as the lock file says. Sourced from the project's root.
if ! command -v node >/dev/null 2>&1; then
  echo "Node 20 or newer is needed (https://nodejs.org, or your system's packages)." >&2
  exit 1
fi
# The copy of the lock file tells whether what is installed is what is wanted.
if ! cmp -s package-lock.json node_modules/.installed-lock.json; then
  npm ci --no-audit --no-fund
  cp package-lock.json node_modules/.installed-lock.json
fi
