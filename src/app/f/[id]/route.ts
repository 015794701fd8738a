import { notFound } from 'next/navigation';
import { fileId } from '@/core/ids';
import { answerFile } from '@/server/materials/answerFile';
import { readableFile } from '@/server/materials/readableFile';
import { sharedPembit } from '@/server/pembit';
import { signedInOr } from '../../signedIn';

/** An uploaded file, for whoever sees something that leads to it: `/f/ID`. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const actor = await signedInOr(`/f/${id}`);
  const pembit = sharedPembit();
  const read = fileId.safeParse(id);
  const file = read.success ? await readableFile(pembit, actor.viewer, read.data) : undefined;
  if (!file?.ok) notFound();
  return answerFile(pembit.config, file.value, request.headers);
}
