'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { isWebAddress, wholeAddress } from '@/core/links/wholeAddress';
import { linkTexts } from '@/core/texts/links';
import { callApi } from './callApi';

/** Whether an address that is being typed opens: asked by the server, and by opening it oneself. */
export function TestLink({ url }: Readonly<{ url: string }>) {
  const [said, setSaid] = useState<Readonly<{ of: string; words: string }>>();
  const [busy, setBusy] = useState(false);
  if (!isWebAddress(url)) return null;
  const test = async () => {
    setBusy(true);
    const answer = await callApi<{ words: string }>('POST', '/api/links/test', { url });
    setBusy(false);
    setSaid({ of: url, words: answer.ok ? answer.value.words : answer.message });
  };
  return (
    <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
      <Button size="small" variant="outlined" disabled={busy} onClick={() => void test()}>
        {linkTexts.testThis}
      </Button>
      <a href={wholeAddress(url)} target="_blank" rel="noopener">
        {linkTexts.openThis}
      </a>
      <span role="status">{said?.of === url ? said.words : ''}</span>
    </div>
  );
}
