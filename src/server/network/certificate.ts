import 'reflect-metadata';
import { type webcrypto, X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import { isIP } from 'node:net';
import path from 'node:path';
import {
  BasicConstraintsExtension,
  cryptoProvider,
  ExtendedKeyUsage,
  ExtendedKeyUsageExtension,
  KeyUsageFlags,
  KeyUsagesExtension,
  PemConverter,
  SubjectAlternativeNameExtension,
  X509Certificate as WrittenCertificate,
  X509CertificateGenerator,
} from '@peculiar/x509';

/*
 * The shop is its own certificate authority: one certificate is installed on each tablet once, and the server's own one is
 * renewed under it. Browsers give camera, service worker and digests only to a page that came over HTTPS.
 */

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY = 86_400_000;
/** Long enough that no tablet has to be visited again while it lives. */
const AUTHORITY_DAYS = 3650;
/** Tablets refuse a server's certificate that is valid for much more than a year, even under an authority of one's own. */
const SERVER_DAYS = 397;
const RENEW_BEFORE_DAYS = 30;

export interface Certificates {
  /** What tablets install. */
  readonly authorityFile: string;
  readonly authority: string;
  readonly certificate: string;
  readonly key: string;
  /** The server's certificate was made now: new, about to run out, or for other names. */
  readonly renewed: boolean;
}

/**
 * The server's certificate for these names and addresses, made or renewed where it is needed, under an authority that is
 * made once and kept in the folder.
 * @throws RangeError without a name
 */
export async function ensureCertificates(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<Certificates> {
  if (names.length === 0) throw new RangeError('a certificate needs a name or an address');
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  const at = (name: string) => path.join(folder, name);
  if (!fs.existsSync(at('shop-authority.crt')) || !fs.existsSync(at('shop-authority.key')))
    await makeAuthority(at, now);
  const authority = fs.readFileSync(at('shop-authority.crt'), 'utf8');
  const renewed = !serves(at('server.crt'), at('server.key'), authority, names, now);
  if (renewed) await makeServer(at, authority, names, now);
  return {
    authorityFile: at('shop-authority.crt'),
    authority,
    certificate: fs.readFileSync(at('server.crt'), 'utf8'),
    key: fs.readFileSync(at('server.key'), 'utf8'),
    renewed,
  };
}

type At = (name: string) => string;
type KeyPair = webcrypto.CryptoKeyPair;

/** Whether what stands there still serves: for all these names, under this authority, and for a while yet. */
function serves(
  file: string,
  keyFile: string,
  authority: string,
  names: readonly string[],
  now: Date,
): boolean {
  if (!fs.existsSync(file) || !fs.existsSync(keyFile)) return false;
  const certificate = new X509Certificate(fs.readFileSync(file));
  const until = Date.parse(certificate.validTo) - RENEW_BEFORE_DAYS * DAY;
  return (
    until > now.getTime() &&
    certificate.verify(new X509Certificate(authority).publicKey) &&
    names.every((name) => (isIP(name) ? certificate.checkIP(name) : certificate.checkHost(name)))
  );
}

async function makeAuthority(at: At, now: Date): Promise<void> {
  const keys = await makeKeys();
  const certificate = await X509CertificateGenerator.createSelfSigned({
    name: 'CN=Stereotome in this shop',
    notBefore: new Date(now.getTime() - DAY),
    notAfter: new Date(now.getTime() + AUTHORITY_DAYS * DAY),
    keys,
    signingAlgorithm: ALGORITHM,
    extensions: [
      new BasicConstraintsExtension(true, 0, true),
      new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
    ],
  });
  await writeSecret(at('shop-authority.key'), keys);
  fs.writeFileSync(at('shop-authority.crt'), `${certificate.toString('pem')}\n`);
}

async function makeServer(at: At, authority: string, names: readonly string[], now: Date): Promise<void> {
  const keys = await makeKeys();
  const issuer = new WrittenCertificate(authority);
  const signingKey = await globalThis.crypto.subtle.importKey(
    'pkcs8',
    PemConverter.decodeFirst(fs.readFileSync(at('shop-authority.key'), 'utf8')),
    ALGORITHM,
    false,
    ['sign'],
  );
  const certificate = await X509CertificateGenerator.create({
    subject: `CN=${names[0]}`,
    issuer: issuer.subject,
    notBefore: new Date(now.getTime() - DAY),
    notAfter: new Date(now.getTime() + SERVER_DAYS * DAY),
    publicKey: keys.publicKey,
    signingKey,
    signingAlgorithm: ALGORITHM,
    extensions: [
      new BasicConstraintsExtension(false, undefined, true),
      new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
      new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
      new SubjectAlternativeNameExtension(
        names.map((name) => ({ type: isIP(name) ? ('ip' as const) : ('dns' as const), value: name })),
      ),
    ],
  });
  await writeSecret(at('server.key'), keys);
  fs.writeFileSync(at('server.crt'), `${certificate.toString('pem')}\n`);
}

function makeKeys(): Promise<KeyPair> {
  cryptoProvider.set(globalThis.crypto as Crypto);
  return globalThis.crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']) as Promise<KeyPair>;
}

/** A private key that only the shop's own account may read. */
async function writeSecret(file: string, { privateKey }: KeyPair): Promise<void> {
  const exported = await globalThis.crypto.subtle.exportKey('pkcs8', privateKey);
  fs.writeFileSync(file, `${PemConverter.encode(exported, 'PRIVATE KEY')}\n`, { mode: 0o600 });
}
