/** What of a file was left out, or read otherwise, folded away under how many it is. */
export function Troubles({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <details>
      <summary>{title}</summary>
      <ul>
        {lines.map((line, i) => (
          <li key={i} className="soft">
            {line}
          </li>
        ))}
      </ul>
    </details>
  );
}
