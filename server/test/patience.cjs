// A real database on two busy cores: nothing here is a test of speed.
jest.setTimeout(30_000);
