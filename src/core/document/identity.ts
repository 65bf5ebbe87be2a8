/**
 * Who a device says it is until its builder decides: numbers for trying out that nobody holds (from memory). What is
 * given to others wants a number of its own.
 */
export const trialIdentity = { maker: "Own make", vendorId: 0xf0f0, productId: 0x0001 };
