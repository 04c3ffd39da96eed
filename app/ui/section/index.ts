export { ContainerSection, fillOutline, insideOutline } from "./container-section";
