/** Links of entries that lead to a material of the course. */
export const linkedMaterials = {
  name: '0009-linked-materials',
  statements: [
    `ALTER TABLE links ADD COLUMN material_id TEXT`,
    `CREATE INDEX links_material ON links (material_id)`,
  ],
} as const;
