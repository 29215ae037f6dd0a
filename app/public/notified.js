/* Part of the service worker: a notification that is tapped brings the bench of its piece to the front. */
globalThis.addEventListener("notificationclick", (event) => {
  event.notification.close();
  const path = event.notification.data;
  if (typeof path !== "string" || !path.startsWith("/piece/")) return;
  const bring = async () => {
    const [open] = await globalThis.clients.matchAll({ type: "window", includeUncontrolled: true });
    if (open === undefined) return globalThis.clients.openWindow(path);
    await open.focus();
    open.postMessage({ type: "go", path });
  };
  event.waitUntil(bring());
});
