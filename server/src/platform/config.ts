import { z } from 'zod';

const environment = z.object({
  DATABASE_URL: z.string().startsWith('postgres', 'DATABASE_URL has to begin with postgres://'),
  ESCALIER_HOST: z.string().default('127.0.0.1'),
  ESCALIER_PORT: z.coerce.number().int().min(0).max(65535).default(0),
  ESCALIER_DEMO: z.enum(['on', 'off']).default('on'),
  ESCALIER_WEB: z.string().optional(),
  ESCALIER_DEMO_TUNES: z.string(),
  ESCALIER_LOG: z.enum(['silent', 'error', 'info', 'debug']).default('error'),
});

export interface Config {
  readonly databaseUrl: string;
  readonly host: string;
  /** 0 asks the system for a free one. */
  readonly port: number;
  readonly demo: boolean;
  /** Folder of the built web; null when another process serves it. */
  readonly webFolder: string | null;
  /** Folder of the ABC files that ship with Escalier. */
  readonly tunesFolder: string;
  readonly logLevel: 'silent' | 'error' | 'info' | 'debug';
}

/** @throws Error with one sentence that names the setting. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const read = environment.safeParse(env);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new Error(`The setting ${issue?.path.join('.') ?? ''} is wrong: ${issue?.message ?? ''}`);
  }
  return {
    databaseUrl: read.data.DATABASE_URL,
    host: read.data.ESCALIER_HOST,
    port: read.data.ESCALIER_PORT,
    demo: read.data.ESCALIER_DEMO === 'on',
    webFolder: read.data.ESCALIER_WEB ?? null,
    tunesFolder: read.data.ESCALIER_DEMO_TUNES,
    logLevel: read.data.ESCALIER_LOG,
  };
}
