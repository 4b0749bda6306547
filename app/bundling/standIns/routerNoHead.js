// Titles are set by `useArrival`; the router's own head would bring a second library for it.
exports.Head = { Provider: ({ children }) => children };
