/** The caution where parts that feed each other are joined: both have a socket. */
export const ONE_PLUG = "Never plug in both at once: over the line between them two computers would feed each other.";
