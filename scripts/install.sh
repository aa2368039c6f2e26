# Shared by start and check: Node there, packages as the lock file says. Sourced from the project's root.
#   INSTALL=wanted   start: what is installed already will do where nothing new can be had
#   INSTALL=exact    check: only what the lock file says
. scripts/node.sh

# The copy of the lock file tells whether what is installed is what is wanted.
if ! cmp -s package-lock.json node_modules/.installed-lock.json; then
  if ! (: >.can-write) 2>/dev/null; then
    problem="This folder cannot be written to."
  else
    rm -f .can-write
    echo "Packages are wanted: asking the npm registry (it gets fifteen seconds to answer)."
    if timeout 15 npm view zod version --fetch-retries=0 --fetch-timeout=12000 >/dev/null 2>&1; then
      echo "Installing them; a first time takes a minute or two."
      # Beside what is there, and in its place when it is whole: an install that breaks off takes nothing away.
      rm -rf node_modules-next && mkdir node_modules-next && cp package.json package-lock.json node_modules-next/
      # A network that goes away in the middle is noticed: one more try for each package, and a word while it waits.
      # Its sleep goes with it: what is left running would hold open whatever these lines are piped into.
      (sleep 20 & trap "kill $! 2>/dev/null; exit" TERM; wait $! && echo "Still fetching packages from the npm registry. If nothing happens, look at this machine's network; Ctrl+C stops, and nothing is half installed.") &
      waiting=$!
      if (cd node_modules-next && npm ci --no-audit --no-fund --fetch-retries=1 --fetch-timeout=30000); then
        cp package-lock.json node_modules-next/node_modules/.installed-lock.json
        rm -rf node_modules-old
        if [ -e node_modules ]; then mv node_modules node_modules-old; fi
        mv node_modules-next/node_modules node_modules
        problem=
      else
        problem="The packages could not be installed."
      fi
      kill "$waiting" 2>/dev/null || true
      rm -rf node_modules-next node_modules-old
    else
      problem="The npm registry cannot be reached from here."
    fi
  fi
  if [ -n "$problem" ]; then
    if [ "${INSTALL:-wanted}" = wanted ] && [ -f node_modules/vite/package.json ] && [ -f node_modules/tsx/package.json ]; then
      echo "$problem Going on with the packages that are here; newer ones wait until it can be." >&2
    else
      echo "$problem Nothing that would do is installed: connect this machine, or make the folder writable, and try again." >&2
      exit 1
    fi
  fi
fi
