'use client';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { ltiTexts } from '@/core/texts/lti';
import { useAct } from '../controls/useSubmit';
import styles from '../school/School.module.css';

const say = ltiTexts.link;

export type CourseSiteLine = Readonly<{
  id: string;
  /** Which course of which site, in words. */
  words: string;
  listsMembers: boolean;
  follows: boolean;
  /** When its list was read last, and what came of it. */
  read?: Readonly<{ when: string; words: string }>;
  /** The last reading changed nothing, since too many would be gone. */
  held: boolean;
}>;

type Preview = Readonly<{ added: readonly string[]; present: number; gone: readonly string[] }>;

/** The sites that a course is linked with, and whether its roster follows their lists. */
export function CourseSites({
  sites,
  mayEnd,
}: Readonly<{ sites: readonly CourseSiteLine[]; mayEnd: boolean }>) {
  return (
    <section className={`card ${styles.section}`} aria-labelledby="course-sites">
      <h2 id="course-sites">{say.heading}</h2>
      {sites.length === 0 ? <p className="soft">{say.empty}</p> : null}
      {sites.map((site) => (
        <SiteLine key={site.id} site={site} mayEnd={mayEnd} />
      ))}
    </section>
  );
}

function SiteLine({ site, mayEnd }: Readonly<{ site: CourseSiteLine; mayEnd: boolean }>) {
  const { act, busy } = useAct();
  const [preview, setPreview] = useState<Preview>();
  const path = `/api/lti/contexts/${site.id}`;
  const read = (even: boolean) => act('POST', `${path}/members`, { even }, () => say.readDone);
  const follow = async (follows: boolean) => {
    const done = await act('PUT', `${path}/following`, { follows }, () =>
      follows ? say.followed : say.unfollowed,
    );
    if (done.ok) setPreview(undefined);
  };
  const look = async () => {
    const found = await act<Preview>('GET', `${path}/members`, undefined);
    if (found.ok) setPreview(found.value);
  };
  return (
    <div>
      <p>
        <b>{site.words}</b>
      </p>
      {site.listsMembers ? (
        site.follows ? (
          <p className="soft">{say.follows}</p>
        ) : null
      ) : (
        <p className="soft">{say.noMembers}</p>
      )}
      {site.read ? (
        <p>
          {say.readAt({ when: site.read.when })} {site.read.words}
        </p>
      ) : null}
      {preview ? <PreviewLines preview={preview} /> : null}
      <div className={styles.buttons}>
        {site.listsMembers && !site.follows ? (
          <Button
            variant={preview ? 'contained' : 'outlined'}
            disabled={busy}
            onClick={() => void (preview ? follow(true) : look())}
          >
            {preview ? say.follow : say.look}
          </Button>
        ) : null}
        {site.follows ? (
          <Button variant="outlined" disabled={busy} onClick={() => void read(false)}>
            {say.read}
          </Button>
        ) : null}
        {site.held ? (
          <Button variant="outlined" disabled={busy} onClick={() => void read(true)}>
            {ltiTexts.members.even}
          </Button>
        ) : null}
        {site.follows ? (
          <Button disabled={busy} onClick={() => void follow(false)}>
            {say.unfollow}
          </Button>
        ) : null}
        {mayEnd ? (
          <Button disabled={busy} onClick={() => void act('DELETE', path, undefined, () => say.unlinked)}>
            {say.unlink}
          </Button>
        ) : null}
      </div>
    </div>
  );
}

function PreviewLines({ preview: { added, present, gone } }: Readonly<{ preview: Preview }>) {
  const words = ltiTexts.members;
  const names = (title: string, all: readonly string[]) =>
    all.length === 0 ? null : (
      <p>
        {title} {all.join(', ')}
      </p>
    );
  return (
    <div role="status">
      <p>{words.counts({ added: added.length, present, gone: gone.length })}</p>
      {names(words.added, added)}
      {names(words.gone, gone)}
    </div>
  );
} // prettier-ignore
