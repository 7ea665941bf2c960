import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { isInstalled } from './packages.mjs';

let root = '';
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), 'escalier-packages-'));
  mkdirSync(join(root, 'node_modules'));
});
afterEach(() => rmSync(root, { recursive: true }));

const lock = (packages) => JSON.stringify({ packages });
const wants = (packages) => writeFileSync(join(root, 'package-lock.json'), lock({ '': {}, ...packages }));
const has = (packages) => writeFileSync(join(root, 'node_modules', '.package-lock.json'), lock(packages));

describe('what is installed', () => {
  it('is enough when npm has finished with the versions that are wanted, whoever called it', () => {
    wants({ 'node_modules/hono': { version: '4.1.0' }, core: {}, 'node_modules/@escalier/core': { link: true } });
    has({ 'node_modules/hono': { version: '4.1.0' }, 'node_modules/@escalier/core': { link: true } });
    expect(isInstalled(root)).toBe(true);
  });

  it('is not enough with another version, or when an install was broken off', () => {
    wants({ 'node_modules/hono': { version: '4.2.0' } });
    expect(isInstalled(root)).toBe(false);
    has({ 'node_modules/hono': { version: '4.1.0' } });
    expect(isInstalled(root)).toBe(false);
  });

  it('may lack what another system needs', () => {
    wants({ 'node_modules/only-on-mac': { version: '1.0.0', optional: true } });
    has({});
    expect(isInstalled(root)).toBe(true);
  });
});
