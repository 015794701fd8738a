const several = (n: number) => (n === 1 ? '1 material' : `${n} materials`);

/** Words of bringing in a Common Cartridge package. */
export const packageTexts = {
  tooMuch: 'Reading this file takes too long, or too much memory. It was not brought in.',
  title: 'Bring in a package',
  save: 'Save as a Common Cartridge',
  saveLead:
    'For another course site: the outline with its files, the work with its dates in words, and what is when. Drafts, and what is for some students alone, stay behind.',
  work: 'Work',
  schedule: 'What is when',
  week: (n: number, theme: string | undefined) => (theme ? `Week ${n}: ${theme}` : `Week ${n}`),
  opens: 'opens',
  closes: 'closes',
  lead: 'A Common Cartridge file (.imscc or .zip) of another course site. What it adds and changes is shown first.',
  choose: 'Package',
  sending: (percent: number) => `Sending the package: ${percent} %`,
  reading: (done: number, of: number) => `Reading the package: ${done} of ${of}`,
  bring: (added: number, changed: number) =>
    changed > 0 ? `Add ${several(added)}, change ${changed}` : `Add ${several(added)}`,
  nothingNew: 'Everything in this package is there already.',
  imported: (added: number, changed: number) =>
    changed > 0
      ? `Brought in a package: added ${several(added)}, changed ${changed}`
      : `Brought in a package: added ${several(added)}`,
  stopped: 'Stopped. Nothing was changed.',
  left: 'Left out',
  gone: (titles: readonly string[]) => `No longer in the package, and kept here: ${titles.join(', ')}`,
  skipped: {
    type: 'of a kind that is not brought in',
    missing: 'its file is not in the package',
    unreadable: 'its file cannot be read',
    address: 'it leads to no address of the web',
    tooLarge: 'larger than 50 MB',
  },
  refusals: {
    notZip: 'This is not a package that can be opened. Export it again, as a Common Cartridge.',
    noManifest: 'There is no imsmanifest.xml in it, so it is no Common Cartridge. Export it again as one.',
    unsafePath: 'The package has a file whose name leads out of it. It was not opened.',
    tooManyFiles: 'The package has more than 10,000 files. Export it in parts.',
    tooLargeInside: 'The package unpacks to more than 2 GB. Export it in parts.',
    packedTooTightly: 'A file of the package unpacks to far more than a course file does. It was not opened.',
    encrypted: 'The package is locked with a password. Export it without one.',
    encoding: 'The list of contents is in an encoding that is not UTF-8 or UTF-16. Export it again as UTF-8.',
    doctype:
      'The list of contents has a document type with entities, which is not read. Export it without one.',
    notXml: 'The list of contents is not well-formed XML. Export it again.',
    noItems: 'The package lists nothing to bring in.',
    tooManyItems: 'The package lists more than 5,000 items. Export it in parts.',
    tooDeep: 'Units lie in one another more than 20 deep. Export it in parts.',
  },
} as const;
