import { trustTexts } from '@/core/texts/trust';

/** How the letters go that somebody had sent about what they did. */
export function LettersSoFar({
  lines,
}: Readonly<{ lines: readonly Readonly<{ key: string; words: string }>[] }>) {
  if (lines.length === 0) return null;
  return (
    <section className="notice" aria-labelledby="letters-so-far">
      <h2 id="letters-so-far">{trustTexts.lettersTitle}</h2>
      <ul>
        {lines.map(({ key, words }) => (
          <li key={key}>{words}</li>
        ))}
      </ul>
    </section>
  );
}
