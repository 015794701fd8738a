'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Called, FieldErrors } from './callApi';
import { callApi } from './callApi';
import { useMessages } from './Messages';

type Submit = <T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body: unknown,
  /** What to say when it is done; absent for a preview, which changes nothing. */
  said?: (value: T) => string,
) => Promise<Called<T>>;

/** Sends what has no form that could say what is wrong: a refusal is said in the page's messages. */
export function useAct(): { act: Submit; busy: boolean } {
  const say = useMessages();
  const { submit, busy } = useSubmit();
  const act: Submit = async (method, path, body, said) => {
    const answer = await submit(method, path, body, said);
    if (!answer.ok) say(Object.values(answer.fields)[0] ?? answer.message);
    return answer;
  };
  return { act, busy };
}

/** Sends a form: errors go to their fields, a refusal without one to `message`, what is done to the page's messages. */
export function useSubmit(): { submit: Submit; errors: FieldErrors; message?: string; busy: boolean } {
  const router = useRouter();
  const say = useMessages();
  const [errors, setErrors] = useState<FieldErrors>({});
  const [message, setMessage] = useState<string>();
  const [busy, setBusy] = useState(false);
  const submit: Submit = async <T>(
    method: 'GET' | 'POST' | 'PUT' | 'DELETE',
    path: string,
    body: unknown,
    said?: (value: T) => string,
  ) => {
    setBusy(true);
    const answer = await callApi<T>(method, path, body);
    setBusy(false);
    setErrors(answer.ok ? {} : answer.fields);
    setMessage(answer.ok || Object.keys(answer.fields).length > 0 ? undefined : answer.message);
    if (answer.ok && said) {
      say(said(answer.value), answer.history);
      router.refresh();
    }
    return answer;
  };
  return { submit, errors, message, busy };
}
