export default function Nothing() {
  return null;
}
