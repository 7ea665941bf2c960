import { escalier } from './escalier.ts';

try {
  const { code, out, err } = await escalier(process.argv.slice(2));
  if (out !== '') console.log(out);
  if (err !== '') console.error(`escalier: ${err}`);
  process.exitCode = code;
} catch (error) {
  console.error(error);
  process.exitCode = 2;
}
