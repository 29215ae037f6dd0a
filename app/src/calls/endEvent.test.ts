import { expect, it } from "@jest/globals";
import { endEvent } from "./endEvent.js";

it("the calendar file says when, and rings (RFC 5545: DTSTART in UTC, a VALARM)", () => {
  const text = endEvent("Hay knife: the temper is over", Date.UTC(2026, 10, 25, 14, 5), "a@tembrak");
  expect(text).toMatch(/DTSTART:20261125T140500Z/);
  expect(text).toMatch(/BEGIN:VALARM[^]*TRIGGER;VALUE=DATE-TIME:20261125T140500Z[^]*END:VALARM/);
  expect(text).toMatch(/SUMMARY:Hay knife: the temper is over/);
});
