using System.Text.Json.Serialization;
using Nokko.Core.Tape;
using Nokko.Core.Vehicles;

namespace Nokko.Core.Shelf;

/// <summary>What a part is tried on.</summary>
/// <param name="Vehicle">The vehicle.</param>
/// <param name="Axle">The axle.</param>
/// <param name="Corner">What stands at its corner, itself included; null when only the vehicle is asked.</param>
/// <param name="OnAxle">What stands at both corners of the axle, itself included.</param>
public sealed record FitPlace(
    Vehicle Vehicle,
    Axle Axle,
    IReadOnlyList<PlacedPart>? Corner = null,
    IReadOnlyList<PlacedPart>? OnAxle = null
);

/// <summary>One condition under which a part fits. The hierarchy is closed.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(OnlyWith), "onlyWith")]
[JsonDerivedType(typeof(NotWith), "notWith")]
[JsonDerivedType(typeof(OnlyAt), "onlyAt")]
[JsonDerivedType(typeof(MustMeet), "mustMeet")]
[JsonDerivedType(typeof(NotLevelled), "notLevelled")]
[JsonDerivedType(typeof(NeedsPart), "needsPart")]
[JsonDerivedType(typeof(NotBeside), "notBeside")]
[JsonDerivedType(typeof(AtMost), "atMost")]
public abstract record FitRule
{
    private protected FitRule() { }

    /// <summary>As said in a bay.</summary>
    public abstract string Said();

    /// <summary>Whether the part fits, as far as this goes.</summary>
    /// <param name="place">What it is tried on.</param>
    /// <param name="part">The part as it would stand there.</param>
    internal abstract FitVerdict On(FitPlace place, PlacedPart part);

    /// <summary>Why no vehicle can ever meet it; null where one can.</summary>
    /// <param name="kind">Kind of the part.</param>
    internal abstract string? WhyNever(PartKind kind);

    private protected static FitVerdict Unless(bool fits, string why) =>
        fits ? FitVerdict.Fits : FitVerdict.Not(why);

    /// <summary>Only on vehicles with one of these.</summary>
    public sealed record OnlyWith(VariantAspect Aspect, IReadOnlyList<string> Values) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"only with {Aspect.Said()} {string.Join(" or ", Values)}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            place.Vehicle.Of(Aspect) is { } has
                ? Unless(
                    Values.Any(v => Variant.Same(v, has)),
                    $"{Said()}; this one has {Aspect.Said()} {has}"
                )
                : FitVerdict.Ask($"{Said()}: nobody noted this one's");

        internal override string? WhyNever(PartKind kind) =>
            Values.All(string.IsNullOrWhiteSpace)
                ? $"Only with which {Aspect.Said()}? Name one at least."
                : null;
    }

    /// <summary>Not on vehicles with one of these.</summary>
    public sealed record NotWith(VariantAspect Aspect, IReadOnlyList<string> Values) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"not with {Aspect.Said()} {string.Join(" or ", Values)}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            place.Vehicle.Of(Aspect) is { } has
                ? Unless(Values.All(v => !Variant.Same(v, has)), $"{Said()}: this one has it")
                : FitVerdict.Ask($"{Said()}: nobody noted this one's");

        internal override string? WhyNever(PartKind kind) =>
            Values.All(string.IsNullOrWhiteSpace)
                ? $"Not with which {Aspect.Said()}? Name one at least."
                : null;
    }

    /// <summary>At one axle alone.</summary>
    public sealed record OnlyAt(Axle Axle) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"only at the {Axle.Said()}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            Unless(place.Axle == Axle, Said());

        internal override string? WhyNever(PartKind kind) =>
            Axle == Axle.Rear && PartRule.Of(kind).SteeredOnly
                ? $"A {PartRule.Of(kind).Said} has its place at the front: it would fit nowhere."
                : null;
    }

    /// <summary>A bore, a pattern or an end that must be the vehicle's.</summary>
    public sealed record MustMeet(Mate Mate) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"{Mate.Kind.Said()} {Mate.Said()}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            place
                .Vehicle.Mates?.FirstOrDefault(m => m.Axle == place.Axle && m.Is.Kind == Mate.Kind)
                ?.Is
                is { } there
                ? Unless(Mate.Meets(there), $"made for {Said()}, this one has {there.Said()}")
            : !Mate.Kind.IsOn(place.Vehicle.SuspensionOf(place.Axle).Kind)
                ? FitVerdict.Not($"made for {Said()}, this {place.Axle.Said()} has none")
            : FitVerdict.Ask($"made for {Said()}: look at this one's");

        internal override string? WhyNever(PartKind kind) =>
            Mate.Kind.IsLength() && Mate.Size is not { Value: > 0 } ? "How wide? Write the length."
            : !Mate.Kind.IsLength() && string.IsNullOrWhiteSpace(Mate.Written)
                ? $"Which {Mate.Kind.Said()}?"
            : null;
    }

    /// <summary>Not on a vehicle whose axle is held at its height by itself.</summary>
    public sealed record NotLevelled(Axle Axle) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"not with a load-levelling {Axle.Said()}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            Unless(
                place.Vehicle.SuspensionOf(Axle).HeightControl is null,
                $"{Said()}: this one has it"
            );

        internal override string? WhyNever(PartKind kind) => null;
    }

    /// <summary>Only where another kind of part is fitted at the axle.</summary>
    public sealed record NeedsPart(PartKind Part) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"only with a {PartRule.Of(Part).Said}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            place.OnAxle is not { } there
                ? FitVerdict.Fits
                : Unless(there.Any(p => p.Kind == Part), $"{Said()}, and there is none");

        internal override string? WhyNever(PartKind kind) =>
            Part == kind ? "It cannot ask for itself."
            : Part is PartKind.Unknown or PartKind.Kit ? "Which part does it need?"
            : null;
    }

    /// <summary>Not where another kind of part stands at its corner, or at its axle where an axle has one of them.</summary>
    public sealed record NotBeside(PartKind Part) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"not together with a {PartRule.Of(Part).Said}";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            (
                PartRule.Of(Part).PerAxle || PartRule.Of(part.Kind).PerAxle
                    ? place.OnAxle
                    : place.Corner
            )
                is not { } there
                ? FitVerdict.Fits
                : Unless(there.All(p => p.Id == part.Id || p.Kind != Part), Said());

        internal override string? WhyNever(PartKind kind) =>
            Part == PartKind.Unknown ? "Not together with which part?" : null;
    }

    /// <summary>So many at one corner, never more.</summary>
    public sealed record AtMost(int Count) : FitRule
    {
        /// <inheritdoc/>
        public override string Said() => $"never more than {Count} at one corner";

        internal override FitVerdict On(FitPlace place, PlacedPart part) =>
            place.Corner is not { } there
                ? FitVerdict.Fits
                : Unless(there.Count(p => IsSame(p, part)) <= Count, Said());

        internal override string? WhyNever(PartKind kind) =>
            Count is < 1 or > 20 ? "How many at most? 1 to 20." : null;

        private static bool IsSame(PlacedPart a, PlacedPart b) =>
            a.PartId is { } id ? id == b.PartId : a.Name == b.Name && a.Kind == b.Kind;
    }
}
