import type { TlsOptions } from 'node:tls';

/**
 * What HTTPS is spoken with: TLS 1.3, and of TLS 1.2 only key agreement by elliptic curves with authenticated encryption,
 * as RFC 9325, 4.2 recommends. No CBC.
 */
export const STRONG: TlsOptions = {
  minVersion: 'TLSv1.2',
  honorCipherOrder: true,
  ciphers: [
    'TLS_AES_256_GCM_SHA384',
    'TLS_CHACHA20_POLY1305_SHA256',
    'TLS_AES_128_GCM_SHA256',
    'ECDHE-ECDSA-AES128-GCM-SHA256',
    'ECDHE-RSA-AES128-GCM-SHA256',
    'ECDHE-ECDSA-AES256-GCM-SHA384',
    'ECDHE-RSA-AES256-GCM-SHA384',
    'ECDHE-ECDSA-CHACHA20-POLY1305',
    'ECDHE-RSA-CHACHA20-POLY1305',
  ].join(':'),
};
