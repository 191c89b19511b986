/**
 * Lists in statements, and all that is particular to one database about them. A list goes in as one value, as JSON, however long it
 * is; where its rows are joined with a table it is made a table first (docs/architecture.md, "Lists are written as one statement").
 */

/** The values of a list, behind `IN`. */
export const VALUES = '(SELECT value FROM json_each(?))';

/** The rows of a list, behind `FROM`: each is `value`, a field of it `value->>'name'`; of a record its names are `key`. */
export const ROWS = 'json_each(?)';

/** The values of a column that holds a list, behind `FROM`. */
export const valuesOf = (column: string): string => `json_each(${column})`;

/** Rows as one list, each from named expressions. */
export const listOfRows = (fields: Readonly<Record<string, string>>): string =>
  `json_group_array(json_object(${Object.entries(fields)
    .map(([name, expression]) => `'${name}', ${expression}`)
    .join(', ')}))`;

/** Values as one list. */
export const listOf = (expression: string): string => `json_group_array(${expression})`;

/** A column that holds a list, with one value more. */
export const listWith = (column: string, value: string): string => `json_insert(${column}, '$[#]', ${value})`;
