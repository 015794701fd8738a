/** Takes the longest unused out of a map whose order is that of use, until it holds no more than `most`. */
export function forgetOldest(map: Map<string, unknown>, most: number): void {
  for (const oldest of map.keys()) {
    if (map.size <= most) break;
    map.delete(oldest);
  }
}
