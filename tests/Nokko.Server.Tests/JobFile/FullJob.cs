using System.Text.Json.Nodes;

namespace Nokko.Server.Tests;

/// <summary>Adds a row to every list of a job file that the demo leaves empty.</summary>
internal static class FullJob
{
    public static void Fill(JsonObject file)
    {
        var person = file["people"]![0]!["id"]!.GetValue<string>();
        var part = file["plans"]![0]!["stacks"]![0]!["parts"]![0]!["id"]!.GetValue<string>();
        var reading = file["readings"]![0]!;
        file["stages"]![0]!["front"]!["dimensions"] = new JsonObject
        {
            ["strutExtended"] = Mm(572.25),
            ["armLength"] = Mm(391),
            ["bumpStopGap"] = Mm(0.1 + 0.2),
        };
        file["stages"]![0]!["rear"]!["heightControl"] = "oneSensor";
        file["stages"]![0]!["rear"]!["medium"] = "air";
        file["stages"]![0]!["rear"]!["points"] = new JsonArray(
            new JsonObject
            {
                ["name"] = "fixed eye",
                ["x"] = Mm(-2600),
                ["y"] = null,
                ["z"] = Mm(610),
            }
        );
        file["vehicle"]!["built"] = 2014;
        file["vehicle"]!["bed"] = "long";
        file["vehicle"]!["trim"] = "Ridge";
        file["vehicle"]!["mates"] = new JsonArray(
            new JsonObject
            {
                ["axle"] = "front",
                ["is"] = new JsonObject
                {
                    ["kind"] = "strutStuds",
                    ["size"] = null,
                    ["written"] = "3 × M10 on 120",
                },
            }
        );
        file["plans"]![0]!["anyway"] = new JsonArray(
            new JsonObject
            {
                ["part"] = "plate",
                ["says"] = "made for Marsh",
                ["reason"] = "compared on the bench",
                ["personId"] = person,
            }
        );
        var boxed = file["plans"]![0]!["stacks"]![0]!["parts"]![0]!.DeepClone();
        boxed["id"] = Guid.CreateVersion7();
        boxed["kitId"] = Guid.CreateVersion7();
        Add(
            "kits",
            new JsonObject
            {
                ["planId"] = file["plans"]![0]!["id"]!.DeepClone(),
                ["partId"] = Guid.CreateVersion7(),
                ["number"] = "K-2",
                ["name"] = "Moor box 2",
                ["claim"] = Mm(45),
                ["frontClaim"] = Mm(50),
                ["rearClaim"] = null,
                ["price"] = 240.5,
                ["currency"] = "EUR",
                ["hours"] = new JsonObject
                {
                    ["value"] = 4,
                    ["unit"] = "h",
                    ["u"] = null,
                    ["known"] = "box",
                    ["typed"] = null,
                },
                ["fit"] = new JsonObject
                {
                    ["anyPlatform"] = true,
                    ["platforms"] = new JsonArray(),
                    ["notPlatforms"] = new JsonArray(),
                    ["rules"] = new JsonArray(),
                },
                ["sheet"] = new JsonObject
                {
                    ["source"] = "print 4",
                    ["steps"] = "Feed the studs.",
                    ["torques"] = null,
                    ["warnings"] = "Never two.",
                },
                ["pieces"] = new JsonArray(
                    new JsonObject
                    {
                        ["name"] = "plate",
                        ["count"] = 2,
                        ["found"] = 1,
                        ["end"] = "leftOut",
                        ["why"] = "too thick",
                        ["stacks"] = new JsonArray(
                            new JsonObject { ["corner"] = "LF", ["parts"] = new JsonArray(boxed) }
                        ),
                    }
                ),
            }
        );
        Add(
            "marks",
            At(
                new JsonObject
                {
                    ["where"] = "LF",
                    ["what"] = "cam at the third line, “white” paint ½",
                }
            )
        );
        Add(
            "orientations",
            At(
                new JsonObject
                {
                    ["placedPartId"] = part,
                    ["way"] = "arrow to the front",
                    ["proved"] = "studs meet the holes",
                }
            )
        );
        Add(
            "deviations",
            At(
                new JsonObject
                {
                    ["where"] = "LF",
                    ["sheetSays"] = "new cotter pin",
                    ["did"] = "old one",
                    ["why"] = "none in the shop",
                    ["lookAgain"] = "tomorrow",
                }
            )
        );
        Add("promises", At(new JsonObject { ["what"] = "flaps refitted", ["keptAt"] = null }));
        Add(
            "followUps",
            new JsonObject
            {
                ["what"] = "Alignment",
                ["why"] = null,
                ["dueOn"] = "2027-02-28",
                ["dueAt"] = Quantity(1e-7, "mi"),
                ["doneAt"] = null,
                ["doneBy"] = null,
                ["note"] = null,
            }
        );
        Add(
            "schools",
            new JsonObject
            {
                ["school"] = "measureFrom",
                ["choice"] = "hub",
                ["why"] = "tyres will change",
                ["personId"] = person,
            }
        );
        var joint = file["joints"]![0]!["id"]!.GetValue<string>();
        var begun = file["plans"]![0]!["id"]!.GetValue<string>();
        file["joints"]![0]!["addedUnder"] = begun;
        file["steps"]![0]!["agreedBy"] = "R. Orchard";
        file["job"]!["torqueBand"] = 0.08;
        Add(
            "cuts",
            At(
                new JsonObject
                {
                    ["planId"] = begun,
                    ["where"] = "front",
                    ["what"] = "bracket holes",
                    ["kind"] = "drill",
                    ["from"] = "the old bracket",
                    ["distance"] = Quantity(1.375, "in"),
                    ["size"] = Quantity(12, "mm"),
                    ["count"] = 4,
                }
            )
        );
        Add("looks", At(new JsonObject { ["jointId"] = joint, ["planId"] = begun }));
        Add(
            "checkedCauses",
            At(
                new JsonObject
                {
                    ["planId"] = begun,
                    ["walkRoundId"] = reading["walkRoundId"]!.GetValue<string>(),
                    ["kind"] = "notSeated",
                    ["where"] = "LF",
                    ["wasIt"] = true,
                    ["note"] = "isolator twice",
                }
            )
        );
        Add(
            "roadTests",
            At(
                new JsonObject
                {
                    ["after"] = false,
                    ["answers"] = new JsonArray(
                        new JsonObject
                        {
                            ["question"] = "vibration",
                            ["trouble"] = "some",
                            ["note"] = "from 55",
                        }
                    ),
                }
            )
        );
        var offer = Guid.CreateVersion7().ToString();
        Add(
            "quotes",
            At(
                new JsonObject
                {
                    ["offers"] = new JsonArray(
                        new JsonObject
                        {
                            ["id"] = offer,
                            ["planId"] = begun,
                            ["name"] = "Level",
                            ["goesIn"] = new JsonArray("Front, both sides: in plate."),
                            ["facts"] = new JsonArray(
                                new JsonObject { ["what"] = "Parts", ["says"] = "70 EUR" }
                            ),
                            ["moves"] = new JsonArray(),
                            ["leavesOut"] = new JsonArray("alignment"),
                            ["noWayBack"] = new JsonArray(),
                        }
                    ),
                    ["holdsUntil"] = "2026-04-01",
                    ["chosenOffer"] = offer,
                }
            )
        );
        Add(
            "signatures",
            At(
                new JsonObject
                {
                    ["name"] = "Wren",
                    ["as"] = "driver",
                    ["told"] = new JsonArray("Slowly."),
                    ["strokes"] = new JsonArray(new JsonArray(0, 0, 10, 10, 20, 20, 30, 30)),
                    ["offerId"] = offer,
                }
            )
        );
        Add(
            "ownSteps",
            At(
                new JsonObject
                {
                    ["planId"] = begun,
                    ["after"] = "LF/strut",
                    ["where"] = "LF",
                    ["title"] = "Liner back",
                    ["do"] = "",
                }
            )
        );
        var corrected = reading.DeepClone().AsObject();
        corrected["id"] = Guid.CreateVersion7().ToString();
        corrected["supersedes"] = reading["id"]!.GetValue<string>();
        corrected["reason"] = "hooked the liner";
        corrected["raisedCorners"] = new JsonArray("RR");
        file["readings"]!.AsArray().Add(corrected);
        Add(
            "readings",
            new JsonObject
            {
                ["walkRoundId"] = reading["walkRoundId"]!.GetValue<string>(),
                ["kind"] = "pressure",
                ["place"] = new JsonObject
                {
                    ["kind"] = "wheel",
                    ["name"] = null,
                    ["axle"] = "front",
                },
                ["value"] = Quantity(32.5, "psi"),
                ["note"] = "side not noted",
                ["personId"] = person,
                ["takenAt"] = "2026-03-02T08:00:00.123456Z",
                ["storedAt"] = "2026-03-02T08:00:00Z",
            }
        );

        var round = file["walkRounds"]![0]!.AsObject();
        round["pads"] = new JsonArray(new JsonObject { ["wheel"] = "LF", ["height"] = Mm(-3.25) });
        round["tyres"] = new JsonArray(
            new JsonObject
            {
                ["wheel"] = "RR",
                ["size"] = "285/70R17",
                ["pressure"] = Quantity(36, "psi"),
            }
        );
        round["modes"] = new JsonArray("airRaised", "tow");
        round["peopleIn"] = 2;
        round["steeringStraight"] = false;
        round["shut"] = false;
        round["brakeHeld"] = true;
        round["order"] = new JsonArray("LF", "RF");
        Add(
            "readings",
            Taken(
                new JsonObject
                {
                    ["kind"] = "gap",
                    ["measure"] = "camberSquare",
                    ["place"] = new JsonObject { ["kind"] = "wheel", ["name"] = "LF" },
                    ["value"] = Mm(-3),
                    ["over"] = Mm(430),
                }
            )
        );
        Add(
            "readings",
            Taken(
                new JsonObject
                {
                    ["kind"] = "height",
                    ["from"] = "own",
                    ["ownMark"] = "paint on the spring perch",
                    ["place"] = new JsonObject { ["kind"] = "station", ["name"] = "LF" },
                    ["value"] = Mm(410),
                }
            )
        );
        Add(
            "readings",
            Taken(
                new JsonObject
                {
                    ["kind"] = "height",
                    ["place"] = new JsonObject { ["kind"] = "station", ["name"] = "RR" },
                    ["skipped"] = true,
                    ["note"] = "flare missing",
                }
            )
        );

        Add(
            "bookings",
            At(
                new JsonObject
                {
                    ["bay"] = "Lift",
                    ["day"] = "2026-03-03",
                    ["from"] = 495,
                    ["people"] = new JsonArray(person),
                    ["hours"] = Quantity(6.5, "h"),
                }
            )
        );

        JsonObject Taken(JsonObject row)
        {
            row["walkRoundId"] = reading["walkRoundId"]!.GetValue<string>();
            row["personId"] = person;
            row["takenAt"] = "2026-03-02T08:00:00.123456Z";
            row["storedAt"] = "2026-03-02T08:00:00Z";
            return row;
        }

        void Add(string list, JsonObject row)
        {
            row["id"] = Guid.CreateVersion7().ToString();
            file[list]!.AsArray().Add(row);
        }

        JsonObject At(JsonObject row)
        {
            row["personId"] = person;
            row["at"] = "2026-03-02T09:30:00+01:00";
            return row;
        }
    }

    private static JsonObject Mm(double value) => Quantity(value, "mm");

    private static JsonObject Quantity(double value, string unit) =>
        new()
        {
            ["value"] = value,
            ["unit"] = unit,
            ["u"] = 0.5,
            ["known"] = "measured",
            ["typed"] = null,
        };
}
