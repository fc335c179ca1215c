/* Asks for the list of jobs while the application's own scripts are still on their way: it is there when they are. */
if (location.pathname === '/')
  fetch('/api/jobs')
    .then((answer) => (answer.ok ? answer.json() : undefined))
    .then((list) => {
      globalThis.katabasisPrefetched = list;
    })
    .catch(() => undefined);
