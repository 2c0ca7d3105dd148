import { env } from '$env/dynamic/private';
import { pairingOf } from './pairing';

let made: ReturnType<typeof pairingOf> | null = null;

/** The pairing of this server, made as it starts. */
export const pairing = () => (made ??= pairingOf(env.PAIRING_CODE ?? ''));
