using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.Geometry;
using Nokko.Core.Jobs;
using Nokko.Core.Papers;
using Nokko.Core.Plans;
using Nokko.Core.Proof;
using Nokko.Core.Shelf;
using Nokko.Core.Stance;
using Nokko.Core.Units;
using Nokko.Core.Vehicles;

namespace Nokko.Tool;

/// <summary>The core's words and fixed facts as a file of the front end, which must have them without a network.</summary>
internal static class Words
{
    /// <summary>The file, TypeScript.</summary>
    public static string Written()
    {
        var text = new StringWriter { NewLine = "\n" };
        text.WriteLine("// Made from the core by ./nokko generate.");
        text.WriteLine("import type { components } from \"./schema\";");
        text.WriteLine("type Kinds = components[\"schemas\"];");
        Put("stationWords", "Record<string, string>", Corners.Stations);
        Put(
            "partWords",
            "Record<Kinds[\"PartKind\"], { said: string; belowSpring: boolean; offered: boolean; alone: boolean; also: string[] }>",
            PartRule.All.ToDictionary(
                r => r.Kind,
                r => new
                {
                    r.Said,
                    r.BelowSpring,
                    r.Offered,
                    r.Alone,
                    Also = r.AlsoCalled,
                }
            )
        );
        Put(
            "familyWords",
            "Record<Kinds[\"LiftFamily\"], string>",
            Enum.GetValues<LiftFamily>().ToDictionary(f => f, f => f.Said())
        );
        Put(
            "vehicleWords",
            "Record<Kinds[\"VehicleKind\"], { said: string; bodyKind: Kinds[\"BodyKind\"]; front: Kinds[\"SuspensionKind\"]; rear: Kinds[\"SuspensionKind\"] }>",
            Enum.GetValues<VehicleKind>().ToDictionary(k => k, VehicleDefaults.With)
        );
        Put(
            "suspensionEnds",
            "Record<Kinds[\"SuspensionKind\"], { above: string; below: string; spring: \"leaf\" | \"coil\" | \"bar\" }>",
            Enum.GetValues<SuspensionKind>()
                .ToDictionary(
                    k => k,
                    k => new
                    {
                        k.Ends().Above,
                        k.Ends().Below,
                        Spring = k.Rubs() ? "leaf"
                        : k.HasCoil() ? "coil"
                        : "bar",
                    }
                )
        );
        Put(
            "jointWords",
            "Record<Kinds[\"JointKind\"], { said: string; lookedAt: boolean }>",
            Enum.GetValues<JointKind>()
                .ToDictionary(k => k, k => new { Said = k.Said(), LookedAt = k.IsLookedAt() })
        );
        Put("otherNames", "Record<string, string[]>", OtherNames.All);
        Put(
            "aspectWords",
            "Record<Kinds[\"VariantAspect\"], string>",
            Enum.GetValues<VariantAspect>().ToDictionary(a => a, a => a.Said())
        );
        Put(
            "mateWords",
            "Record<Kinds[\"MateKind\"], { said: string; length: boolean; on: Kinds[\"SuspensionKind\"][] }>",
            Enum.GetValues<MateKind>()
                .ToDictionary(
                    m => m,
                    m => new
                    {
                        Said = m.Said(),
                        Length = m.IsLength(),
                        On = Enum.GetValues<SuspensionKind>().Where(k => m.IsOn(k)),
                    }
                )
        );
        Put("knownWords", "Record<Kinds[\"Known\"], string>", Each<Known>(k => k.Said()));
        Put("fateWords", "Record<Kinds[\"Fate\"], string>", Each<Fate>(f => f.Said()));
        Put(
            "positionWords",
            "Record<Kinds[\"WheelPosition\"], string>",
            Each<WheelPosition>(p => p.Said())
        );
        Put("cutWords", "Record<Kinds[\"CutKind\"], string>", Each<CutKind>(c => c.Said()));
        Put(
            "verdictWords",
            "Record<Kinds[\"Verdict\"], { asWanted: string; wish: string; asForetold: string }>",
            Each<Verdict>(v => new
            {
                AsWanted = v.AsWanted(),
                Wish = v.OfWish(),
                AsForetold = v.AsForetold(),
            })
        );
        Put("derivedWords", "Record<string, string>", MeasureValues.Derived);
        Put("targetWords", "Record<string, string>", PaperWords.Targets);
        Put(
            "movedWords",
            "Partial<Record<Kinds[\"MechanismKind\"], string>>",
            Enum.GetValues<MechanismKind>()
                .Where(k => k.Moves() is not null)
                .ToDictionary(k => k, k => k.Moves()!)
        );
        Put(
            "roadQuestions",
            "Record<Kinds[\"RoadQuestion\"], string>",
            Each<RoadQuestion>(q => q.Said())
        );
        Put(
            "roadTroubles",
            "Record<Kinds[\"RoadTrouble\"], string>",
            Each<RoadTrouble>(t => t.Said())
        );
        Put(
            "roadChanges",
            "Record<Kinds[\"RoadChange\"], string>",
            Each<RoadChange>(c => c.Said())
        );
        Put(
            "comebackWords",
            "Record<Kinds[\"ComebackFor\"], string>",
            Each<ComebackFor>(c => c.Said())
        );
        Put(
            "comebackCauses",
            "Record<Kinds[\"ComebackCause\"], string>",
            Each<ComebackCause>(c => c.Said())
        );
        Put("causeWords", "Record<Kinds[\"CauseKind\"], string>", Each<CauseKind>(CauseWords.Bare));
        Put("signerWords", "Record<Kinds[\"SignedAs\"], string>", Each<SignedAs>(s => s.Said()));
        Put("leftOpen", "string", FittingRules.LeftOpen);
        Put("secondEyes", "string", DoStep.SecondEyes);
        Put("restHours", "number", FittingRules.Rest.TotalHours);
        return text.ToString();

        static Dictionary<T, object> Each<T>(Func<T, object> said)
            where T : struct, Enum => Enum.GetValues<T>().ToDictionary(v => v, said);

        // A line for each entry: what changed is seen, and nothing else.
        void Put(string name, string type, object value)
        {
            var json = JsonSerializer.SerializeToNode(value, JobJson.Options);
            text.WriteLine(
                json is JsonObject entries
                    ? $"export const {name}: {type} = {{\n{string.Concat(entries.Select(e => $"  {JsonSerializer.Serialize(e.Key, JobJson.Options)}: {e.Value!.ToJsonString(JobJson.Options)},\n"))}}};"
                    : $"export const {name}: {type} = {json!.ToJsonString(JobJson.Options)};"
            );
        }
    }
}
