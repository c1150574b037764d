// Keeps the program in the browser, so that it opens and goes on while the server is out of reach. The build writes the
// program's files and a name for just these in place of the two words below.
const kept = "NAME";
const files = FILES;

// Addresses that are the server's own, and no screens of the program.
const notScreens = /^\/(api\/|house\.crt$|healthz$|readyz$)/;

self.addEventListener("install", (e) => {
  const all = files.map((name) => new Request(name, { cache: "no-cache" }));
  e.waitUntil(
    caches
      .open(kept)
      .then((cache) => cache.addAll(all))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener("activate", (e) => {
  const forget = (names) => Promise.all(names.filter((name) => name !== kept).map((name) => caches.delete(name)));
  e.waitUntil(
    caches
      .keys()
      .then(forget)
      .then(() => self.clients.claim()),
  );
});

self.addEventListener("fetch", (e) => {
  const { pathname, origin } = new URL(e.request.url);
  if (e.request.method !== "GET" || origin !== self.location.origin) return;
  const name = e.request.mode === "navigate" && !notScreens.test(pathname) ? "/index.html" : pathname;
  if (!files.includes(name)) return;
  e.respondWith(caches.match(name, { cacheName: kept }).then((file) => file ?? fetch(e.request)));
});
