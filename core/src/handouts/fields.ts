import { NoHandout } from './request.ts';

/**
 * A template with its fields filled in: "{class}" becomes the name of the class.
 * @throws NoHandout for a field that there is not.
 */
export function filledIn(template: string, values: Readonly<Record<string, string>>): string {
  return template.replaceAll(/\{([^{}]*)\}/g, (_, field: string) => {
    const value = values[field.trim()];
    if (value === undefined)
      throw new NoHandout(
        `There is no field {${field}}. You can use ${Object.keys(values)
          .map((name) => `{${name}}`)
          .join(', ')}.`,
      );
    return value;
  });
}
