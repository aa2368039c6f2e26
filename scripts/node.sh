# Sourced by start, check and vumble: is there a Node that can run this?
if ! command -v node >/dev/null 2>&1; then
  echo "Node 20.19 or newer is needed (https://nodejs.org, or your system's packages)." >&2
  exit 1
fi
# In words any Node understands.
if ! node -e 'var v=process.versions.node.split(".").map(Number);process.exit(v[0]>20||(v[0]===20&&v[1]>=19)?0:1)'; then
  echo "Node $(node --version) is too old: 20.19 or newer is needed (https://nodejs.org, or your system's packages)." >&2
  exit 1
fi
