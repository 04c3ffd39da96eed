export { Button, type ButtonProps } from "./button";
