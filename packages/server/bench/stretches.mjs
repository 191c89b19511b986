// Loaded into a server before it starts: tells its parent, when asked, the longest stretch of work since it last asked.

const TICK_MS = 2;
let last = performance.now();
let longestMs = 0;
setInterval(() => {
  const now = performance.now();
  longestMs = Math.max(longestMs, now - last - TICK_MS);
  last = now;
}, TICK_MS).unref();

/** A stretch is known when it is over and the next tick has come. */
const SETTLED_MS = 20;
process.on('message', () =>
  setTimeout(() => {
    process.send({ longestMs, rssMb: process.memoryUsage().rss / 1e6 });
    longestMs = 0;
  }, SETTLED_MS),
);
process.channel.unref();
