import { z } from 'zod';
import { t } from './messages.ts';

const onOff = z.enum(['on', 'off']);
const database = z.string().startsWith('postgres', 'it has to begin with postgres://');
const publicAddress = z
  .url({ protocol: /^https?$/, error: t('config.it-must-be-an-address-such') })
  .transform((text) => new URL(text).origin);

const environment = z.object({
  DATABASE_URL: database,
  ESCALIER_MIGRATION_URL: database.optional(),
  ESCALIER_HOST: z.string().default('127.0.0.1'),
  ESCALIER_PORT: z.coerce.number().int().min(0).max(65535).default(0),
  ESCALIER_PUBLIC_URL: publicAddress.optional(),
  ESCALIER_TRUSTED_PROXIES: z.string().default(''),
  ESCALIER_DEMO: onOff.default('on'),
  ESCALIER_DEMO_SCHOOLS: onOff.default('off'),
  ESCALIER_DEMO_OPEN: onOff.default('off'),
  ESCALIER_WEB: z.string().optional(),
  ESCALIER_DEMO_TUNES: z.string(),
  ESCALIER_LOG: z.enum(['silent', 'error', 'info', 'debug']).default('error'),
  ESCALIER_LOG_FOLDER: z.string().optional(),
  ESCALIER_ERASURES: z.string().optional(),
});

export type LogLevel = z.infer<typeof environment>['ESCALIER_LOG'];

export interface Config {
  readonly databaseUrl: string;
  /** Of who may change tables, where that is another than who reads and writes them. */
  readonly migrationUrl: string;
  readonly host: string;
  /** 0 asks the system for a free one. */
  readonly port: number;
  /** Scheme and host by which browsers come, where a proxy stands before the server; null for that of the request. */
  readonly publicUrl: string | null;
  /** Addresses and networks whose X-Forwarded-For is believed. */
  readonly trustedProxies: readonly string[];
  readonly demo: boolean;
  /** Whether anybody may ask for a demo school of their own: for tests. */
  readonly demoSchools: boolean;
  /** Folder of the built web; null when another process serves it. */
  readonly webFolder: string | null;
  /** Folder of the ABC files that ship with Escalier. */
  readonly tunesFolder: string;
  readonly logLevel: LogLevel;
  /** Null writes to the terminal alone. */
  readonly logFolder: string | null;
  /** Where what was erased is listed beside the copies, by ids; null lists it in the database alone. */
  readonly erasuresFile: string | null;
}

/** @throws Error with one sentence that names the setting. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const read = environment.safeParse(env);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Error(`The setting ${issue?.path.join('.') ?? ''} is wrong: ${issue?.message ?? ''}`);
  }
  const { data } = read;
  const demo = data.ESCALIER_DEMO === 'on';
  if (demo && data.ESCALIER_DEMO_OPEN === 'off' && !isLoopback(data.ESCALIER_HOST)) {
    throw new Error(
      t('config.the-demo-schools-password-is-public', { escalierHost: data.ESCALIER_HOST }) +
        t('config.start-without-the-demo-or-say'),
    );
  }
  return {
    databaseUrl: data.DATABASE_URL,
    migrationUrl: data.ESCALIER_MIGRATION_URL ?? data.DATABASE_URL,
    host: data.ESCALIER_HOST,
    port: data.ESCALIER_PORT,
    publicUrl: data.ESCALIER_PUBLIC_URL ?? null,
    trustedProxies: data.ESCALIER_TRUSTED_PROXIES.split(/[\s,]+/).filter((each) => each !== ''),
    demo,
    demoSchools: demo && data.ESCALIER_DEMO_SCHOOLS === 'on' && isLoopback(data.ESCALIER_HOST),
    webFolder: data.ESCALIER_WEB ?? null,
    tunesFolder: data.ESCALIER_DEMO_TUNES,
    logLevel: data.ESCALIER_LOG,
    logFolder: data.ESCALIER_LOG_FOLDER ?? null,
    erasuresFile: data.ESCALIER_ERASURES ?? null,
  };
}

function isLoopback(host: string): boolean {
  return /^127\.|^localhost$|^::1$/.test(host);
}
