import { Link } from '@/ui/controls/Link';
import { frameTexts } from '@/core/texts/frame';
import { studentTexts } from '@/core/texts/student';

export default function NotFound() {
  return (
    <main style={{ padding: '48px 24px', maxWidth: 560 }}>
      <h1>{studentTexts.notFoundTitle}</h1>
      <p style={{ padding: '8px 0 16px' }}>{studentTexts.notFoundLead}</p>
      <Link href="/">{frameTexts.product}</Link>
    </main>
  );
}
