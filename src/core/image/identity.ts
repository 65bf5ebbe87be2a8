import type { Design } from "../document/schema";
import type { UsbIdentity } from "../hid/usbDescriptors";

/** Who the device says it is to the computer. */
export const identityOf = ({ reportSet }: Design): UsbIdentity => ({
  vendorId: reportSet.vendorId,
  productId: reportSet.productId,
  maker: reportSet.maker,
  product: reportSet.productName,
});
