export default function Guide() { return null; }
