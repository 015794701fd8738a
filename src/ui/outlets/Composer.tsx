'use client';
import Button from '@mui/material/Button';
import { Link } from '@/ui/controls/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { OutletKind } from '@/core/outlets/outlet';
import { OUTLET_KINDS, TIMES_AS } from '@/core/outlets/outlet';
import { embedSnippet } from '@/core/outlets/snippet';
import { accessTexts } from '@/core/texts/access';
import { publishTexts as say } from '@/core/texts/publish';
import { panelTexts } from '@/core/texts/term';
import { listed } from '@/core/texts/entries';
import { callApi } from '../controls/callApi';
import { Choice } from '../controls/Choice';
import { Field } from '../controls/Field';
import { Select } from '../controls/Select';
import { useSubmit } from '../controls/useSubmit';
import { ComposeFields, options } from './ComposeFields';
import { LookFields, ViewFields } from './LookFields';
import type { OutletDraft, PublishCourse } from './outletDraft';
import { inputOf, nameOf, withCourses } from './outletDraft';
import styles from './Publish.module.css';
import { Ticks } from '../controls/Ticks';

type Props = Readonly<{
  /** Absent: it is published anew. */
  id?: string;
  start: OutletDraft;
  courses: readonly PublishCourse[];
  calendars: readonly Readonly<{ id: string; name: string; courses: readonly string[] }>[];
  entries: readonly Readonly<{ id: string; label: string; courses: readonly string[] }>[];
  /** Whether rooms are in what anyone may read, unless they are unticked. */
  placesInPublic: boolean;
}>;

/** The ticked kinds that it would hold nothing of, asked for once the form has come to rest. */
function useEmptyKinds(input: string): readonly OutletKind[] {
  const [empty, setEmpty] = useState<readonly OutletKind[]>([]);
  useEffect(() => {
    let current = true;
    const ask = async () => {
      const answer = await callApi<{ empty: OutletKind[] }>('POST', '/api/outlets/empty', JSON.parse(input));
      if (current) setEmpty(answer.ok ? answer.value.empty : []);
    };
    const timer = setTimeout(() => void ask(), 300);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [input]);
  return empty;
}

/** Composes a feed or an embed by ticks, beside a true preview of what is ticked. */
export function Composer({ id, start, courses, calendars, entries, placesInPublic }: Props) {
  const router = useRouter();
  const { submit, errors, message, busy } = useSubmit();
  const [draft, setDraft] = useState(start);
  const [width, setWidth] = useState('0');
  const set = (changes: Partial<OutletDraft>) => setDraft({ ...draft, ...changes });
  const setLook = (changes: Partial<OutletDraft['look']>) => set({ look: { ...draft.look, ...changes } });
  const { kind, audience } = draft;
  const chosen = courses.filter((course) => draft.courses.includes(course.id));
  const sections = chosen.filter((course) => course.sections.length > 1);
  const beside = calendars.filter((c) => c.courses.some((course) => draft.courses.includes(course)));
  const recordings = [
    ...new Map(chosen.flatMap((c) => c.recordings).map((file) => [file.id, file])).values(),
  ];
  const files = {
    files: chosen.reduce((sum, course) => sum + course.files, 0),
    recordings: recordings.filter(({ id }) => !draft.recordings.includes(id)).length,
    pages: chosen.reduce((sum, course) => sum + course.pages, 0),
  };
  const unclear = chosen.reduce((sum, course) => sum + course.unclear, 0);
  const name = nameOf(draft, courses);
  const input = inputOf(draft, courses, calendars);
  const preview = `/embed/preview?${new URLSearchParams({ input: JSON.stringify(input) })}`;

  const empty = useEmptyKinds(JSON.stringify(input));

  const publish = async () => {
    const answer = id
      ? await submit<{ id: string; name: string; url: string }>('PUT', `/api/outlets/${id}`, input)
      : await submit<{ id: string; name: string; url: string }>('POST', '/api/outlets', input);
    if (!answer.ok) return;
    if (id) return router.push(`/publish?saved=${id}#${id}`);
    const { url } = answer.value;
    const title = draft.look.title || name;
    const text = kind === 'feed' ? url : embedSnippet({ title, url, height: Number(draft.look.height) });
    const copied = await navigator.clipboard.writeText(text).then(
      () => true,
      () => false,
    );
    router.push(`/publish?new=${answer.value.id}${copied ? '&copied=1' : ''}#${answer.value.id}`);
  };
  const action = id
    ? say.save
    : kind === 'feed'
      ? audience === 'public'
        ? say.publishPublic
        : say.publish
      : audience === 'public'
        ? say.publishEmbedPublic
        : say.publishEmbed;
  return (
    <div className={styles.compose}>
      <form
        className={`card ${styles.form}`}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void publish();
        }}
      >
        <Ticks
          legend={say.courses}
          options={courses.map((course) => ({ value: course.id, label: `${course.tag} ${course.title}` }))}
          ticked={draft.courses}
          onChange={(ticked) => setDraft(withCourses(draft, ticked, courses))}
          error={errors.courses}
        />
        {beside.length > 0 ? (
          <Ticks
            legend={say.calendars}
            options={beside.map((calendar) => ({ value: calendar.id, label: calendar.name }))}
            ticked={draft.calendars}
            onChange={(ticked) => set({ calendars: ticked })}
            error={errors.calendars}
          />
        ) : null}
        {kind === 'embed' ? (
          <ViewFields
            look={draft.look}
            onChange={setLook}
            errors={errors}
            entries={entries.filter((e) => e.courses.some((course) => draft.courses.includes(course)))}
          />
        ) : null}
        <Choice
          label={say.who}
          value={audience}
          column
          options={[
            { value: 'public', label: say.public },
            { value: 'roster', label: say.roster },
          ]}
          onChange={(value) =>
            set({ audience: value, files: value === 'roster', places: value === 'roster' || placesInPublic })
          }
        />
        {files.files + files.pages > 0 ? (
          <Ticks
            legend={say.files}
            options={[{ value: 'files', label: say.openFiles(audience, files) }]}
            ticked={draft.files ? ['files'] : []}
            onChange={(ticked) => set({ files: ticked.length > 0 })}
          />
        ) : null}
        {audience === 'public' && draft.files && recordings.length > 0 ? (
          <Ticks
            legend={say.recordings}
            options={recordings.map(({ id: value, name: label }) => ({ value, label }))}
            ticked={draft.recordings}
            onChange={(ticked) => set({ recordings: ticked })}
          />
        ) : null}
        {sections.length > 0 ? (
          <Ticks
            legend={say.sections}
            options={sections.flatMap((course) =>
              course.sections.map((section) => ({
                value: section.id,
                label: `${course.tag} ${section.name}`,
              })),
            )}
            ticked={draft.sections}
            onChange={(ticked) => set({ sections: ticked })}
            error={errors.sections}
          />
        ) : null}
        <details open={Boolean(errors.kinds)}>
          <summary>{say.more}</summary>
          <div className={styles.form}>
            <Ticks
              legend={say.kinds}
              options={options(say.kindNames, OUTLET_KINDS)}
              ticked={draft.kinds}
              onChange={(ticked) => set({ kinds: ticked })}
              error={errors.kinds}
            />
            {draft.kinds.includes('times') ? (
              <Select
                label={say.times}
                value={draft.times}
                options={options(say.timesAs, TIMES_AS)}
                onChange={(times) => set({ times })}
              />
            ) : null}
            <Ticks
              legend={say.where}
              options={[{ value: 'places', label: say.places }]}
              ticked={draft.places ? ['places'] : []}
              onChange={(ticked) => set({ places: ticked.length > 0 })}
            />
            <Ticks
              legend={say.joining}
              options={[{ value: 'links', label: say.meetingLinks }]}
              ticked={draft.meetingLinks ? ['links'] : []}
              onChange={(ticked) => set({ meetingLinks: ticked.length > 0 })}
            />
            <ComposeFields
              value={draft}
              onChange={set}
              kinds={['due', 'event']}
              withReminders={kind === 'feed'}
            />
            {kind === 'embed' ? <LookFields look={draft.look} onChange={setLook} errors={errors} /> : null}
          </div>
        </details>
        <Field
          label={say.name}
          value={name}
          onChange={(typedName) => set({ typedName })}
          error={errors.name}
        />
        <p className={audience === 'public' ? 'notice' : 'soft'}>
          <b>{panelTexts.whoSees}: </b>
          {audience === 'public' ? say.publicLead : say.rosterLead}
        </p>
        <p role="alert" className={styles.error}>
          {message}
        </p>
        <Button type="submit" variant="contained" disabled={busy}>
          {action}
        </Button>
      </form>
      <section aria-labelledby="preview" className={styles.preview}>
        <div className={styles.cardHead}>
          <h2 id="preview">{kind === 'embed' ? say.preview : say.previewFeed}</h2>
          {kind === 'embed' ? (
            <Select
              label={say.width}
              value={width}
              options={options(say.widths, ['280', '390', '640', '0'] as const)}
              onChange={setWidth}
            />
          ) : null}
        </div>
        {unclear > 0 ? (
          <p className="notice">
            {accessTexts.before({ n: unclear })} <Link href="/checks">{accessTexts.lookFirst}</Link>
          </p>
        ) : null}
        {empty.length > 0 ? (
          <p className="notice">
            {say.emptyOf({ kinds: listed(empty.map((each) => say.kindNames[each].toLowerCase())) })}
          </p>
        ) : null}
        <iframe
          key={preview}
          src={preview}
          title={say.preview}
          className={styles.frame}
          style={{ width: width === '0' || kind === 'feed' ? '100%' : Number(width) }}
        />
      </section>
    </div>
  );
}
