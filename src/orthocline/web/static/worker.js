// The service worker. What is shipped is kept on the device; a page that no signal brings is the one for the course.
const { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } = workbox.precaching;
const COURSE = "/course";
const PATIENCE_MS = 8000;

self.skipWaiting();
workbox.core.clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute(kept, { cleanURLs: false, directoryIndex: null, ignoreURLParametersMatching: [] });

async function inTime(request) {
  const waited = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  try {
    const brought = await Promise.race([fetch(request), waited]);
    return brought ?? matchPrecache(COURSE);
  } catch {
    return matchPrecache(COURSE);
  }
}
workbox.routing.registerRoute(
  ({ request }) => request.mode === "navigate",
  ({ request }) => inTime(request),
);
