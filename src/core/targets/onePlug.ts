/** The caution where parts that feed each other are joined: both have a socket. */
export const ONE_PLUG = "Never plug in two at once: over what joins them two computers would feed each other.";
