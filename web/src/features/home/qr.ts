import qrcode from 'qrcode-generator';

/** A code as one path of squares, `size` squares wide and high, with the quiet zone that readers need. */
export interface QrCode {
  readonly size: number;
  readonly path: string;
}

const QUIET = 4;

/** A QR code of medium error correction, in as few squares as the text takes. */
export function qrOf(text: string): QrCode {
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const count = code.getModuleCount();
  const rows = Array.from({ length: count }, (_, row) =>
    Array.from({ length: count }, (__, column) =>
      code.isDark(row, column) ? `M${column + QUIET} ${row + QUIET}h1v1h-1z` : '',
    ).join(''),
  );
  return { size: count + 2 * QUIET, path: rows.join('') };
}
