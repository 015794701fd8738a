import type { z } from 'zod';
import type { FieldError } from '@/core/refusals';

type Def = Readonly<{
  type: string;
  shape?: Readonly<Record<string, z.ZodType>>;
  catchall?: z.ZodType;
  element?: z.ZodType;
  innerType?: z.ZodType;
  valueType?: z.ZodType;
  options?: readonly z.ZodType[];
  in?: z.ZodType;
}>;

const UNKNOWN = 'There is no such field.';
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/**
 * What was sent that a schema knows nothing of, each by its path. A schema leaves it out; whoever mistyped the name of a field
 * should learn of it.
 */
export function unknownFields(schema: z.ZodType, value: unknown, path: readonly string[] = []): FieldError[] {
  const def = schema._zod.def as unknown as Def;
  const within = (inner: z.ZodType | undefined) => (inner ? unknownFields(inner, value, path) : []);
  switch (def.type) {
    case 'object': {
      if (!isObject(value)) return [];
      const shape = def.shape ?? {};
      return Object.entries(value).flatMap(([name, field]) => {
        const inner = Object.hasOwn(shape, name) ? shape[name] : def.catchall;
        if (inner) return unknownFields(inner, field, [...path, name]);
        return [{ field: [...path, name].join('.'), message: UNKNOWN }];
      });
    }
    case 'array':
      return Array.isArray(value)
        ? value.flatMap((item, i) => unknownFields(def.element!, item, [...path, String(i)]))
        : [];
    case 'record':
      return isObject(value)
        ? Object.entries(value).flatMap(([name, item]) =>
            unknownFields(def.valueType!, item, [...path, name]),
          )
        : [];
    case 'union': {
      // Of several that fit, one that knows everything is what was meant.
      const found = (def.options ?? []).flatMap((option) =>
        option.safeParse(value).success ? [unknownFields(option, value, path)] : [],
      );
      return found.find((errors) => errors.length === 0) ?? found[0] ?? [];
    }
    case 'pipe':
      return within(def.in);
    default:
      return within(def.innerType);
  }
}
