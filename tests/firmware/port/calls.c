#include "port.h"

struct port_calls port_calls;
