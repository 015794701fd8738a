'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { useMessages } from './Messages';

type Line<T> = Readonly<{
  done?: number;
  of?: number;
  value?: T;
  history?: string;
  problem?: string;
  errors?: readonly Readonly<{ message: string }>[];
}>;

/** Work on the server that takes a while: how far it is, and a way to stop it. */
export function useLongWork() {
  const router = useRouter();
  const say = useMessages();
  const stopping = useRef<AbortController>(undefined);
  const [progress, setProgress] = useState<Readonly<{ done: number; of: number }>>();
  const [message, setMessage] = useState<string>();

  const run = async <T>(path: string, body: object, said?: (value: T) => string): Promise<T | undefined> => {
    const controller = new AbortController();
    stopping.current = controller;
    setProgress({ done: 0, of: 0 });
    setMessage(undefined);
    let last: Line<T> = { problem: frameTexts.offline };
    try {
      const response = await fetch(path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: controller.signal,
      });
      if (response.headers.get('content-type')?.startsWith('application/problem'))
        last = { problem: ((await response.json()) as { title: string }).title };
      else
        for await (const line of linesOf<Line<T>>(response)) {
          last = line;
          if (line.of !== undefined) setProgress({ done: line.done ?? 0, of: line.of });
        }
    } catch {
      if (controller.signal.aborted) last = { problem: frameTexts.stopped };
    }
    setProgress(undefined);
    if (last.problem !== undefined || last.value === undefined) {
      setMessage(last.errors?.[0]?.message ?? last.problem ?? frameTexts.offline);
      return undefined;
    }
    if (said) {
      say(said(last.value), last.history);
      router.refresh();
    }
    return last.value;
  };
  return { run, stop: () => stopping.current?.abort(), progress, message };
}

async function* linesOf<T>(response: Response): AsyncGenerator<T> {
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const lines = (rest + read.value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) if (line) yield JSON.parse(line) as T;
  }
}
