// What a thread of the tests does: as it is told, at once, without end, or with ever more memory.
export default function doTask({ what, begun }) {
  begun.postMessage(null);
  const kept = [];
  if (what === 'loop') for (;;);
  if (what === 'hoard') for (;;) kept.push(new Array(1e5).fill(what.length));
  return what;
}
