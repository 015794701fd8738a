import QRCode from 'qrcode';
import { forgetOldest } from '../forgetOldest';

const MOST_KEPT = 500;
const pictures = new Map<string, Promise<string>>();

/** An address as a picture to be photographed (SVG). Drawing one takes tens of milliseconds: the latest are kept. */
export function addressPicture(address: string): Promise<string> {
  const picture = pictures.get(address) ?? QRCode.toString(address, { type: 'svg', margin: 1 });
  pictures.delete(address);
  pictures.set(address, picture);
  forgetOldest(pictures, MOST_KEPT);
  return picture;
}
