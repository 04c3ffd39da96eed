import { href } from "react-router";
import { Button } from "#ui/button";
import { Part } from "#ui/page";

/** What others check their jars with, without a network and without Patient Larder. */
export function CheckFiles() {
  return (
    <Part title="For people who have jars from you" className="mt-8">
      <p className="max-w-[44rem]">
        Send them the page that checks a jar: one file that opens on any phone, without a network. Later, send
        the newest list: the page takes it only if your larder signed it.
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button asChild>
          <a href={href("/larder/recalls/check.html")} download>
            Save the page that checks a jar
          </a>
        </Button>
        <Button asChild>
          <a href={href("/larder/recalls/list.txt")} download>
            Save the newest list
          </a>
        </Button>
      </div>
    </Part>
  );
}
