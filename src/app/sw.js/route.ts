/** The service worker: without a connection a page is answered by the one that draws what is kept. Nothing else is cached. Urgent notices are shown. */
const SCRIPT = `const NAME = 'pembit-offline-2';
addEventListener('install', (event) => {
  event.waitUntil(caches.open(NAME).then((cache) => cache.add('/offline')).then(() => skipWaiting()));
});
addEventListener('activate', (event) => {
  event.waitUntil(
    caches.keys()
      .then((names) => Promise.all(names.filter((name) => name !== NAME).map((name) => caches.delete(name))))
      .then(() => clients.claim()),
  );
});
addEventListener('fetch', (event) => {
  if (event.request.mode !== 'navigate') return;
  event.respondWith(fetch(event.request).catch(() => caches.match('/offline')));
});
addEventListener('push', (event) => {
  const { title, body, path } = event.data.json();
  event.waitUntil(registration.showNotification(title, { body, icon: '/icon.svg', data: { path } }));
});
addEventListener('notificationclick', (event) => {
  event.notification.close();
  event.waitUntil(clients.openWindow(event.notification.data.path));
});
`;

export const dynamic = 'force-static';

export const GET = () =>
  new Response(SCRIPT, {
    headers: {
      'content-type': 'text/javascript; charset=utf-8',
      'content-security-policy': "default-src 'self'",
      'cache-control': 'no-cache',
      'x-content-type-options': 'nosniff',
    },
  });
