using System.Text.Json;
using System.Text.Json.Nodes;
using Nokko.Core.Fitting;
using Nokko.Core.Jobs;
using Nokko.Core.Shelf;
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
        Put("leftOpen", "string", FittingRules.LeftOpen);
        Put("secondEyes", "string", DoStep.SecondEyes);
        Put("restHours", "number", FittingRules.Rest.TotalHours);
        return text.ToString();

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
