using System.Text.Json.Serialization;

namespace Nokko.Core.Jobs;

/// <summary>One thing that a person does to a job. The hierarchy is closed: a command carries its own decision.</summary>
/// <param name="CommandId">Key, made by the client; repeating it changes nothing.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(SetSizes), "setSizes")]
[JsonDerivedType(typeof(CorrectJoint), "correctJoint")]
[JsonDerivedType(typeof(NoteJoint), "noteJoint")]
[JsonDerivedType(typeof(ChooseSchool), "chooseSchool")]
[JsonDerivedType(typeof(NoteCheck), "noteCheck")]
[JsonDerivedType(typeof(CorrectTakenIn), "correctTakenIn")]
[JsonDerivedType(typeof(SetTarget), "setTarget")]
[JsonDerivedType(typeof(MakeWish), "makeWish")]
[JsonDerivedType(typeof(SetLoads), "setLoads")]
[JsonDerivedType(typeof(SetLimit), "setLimit")]
[JsonDerivedType(typeof(SetSuspension), "setSuspension")]
[JsonDerivedType(typeof(SetPoints), "setPoints")]
[JsonDerivedType(typeof(TapeSizes), "tapeSizes")]
[JsonDerivedType(typeof(SetSpacePoints), "setSpacePoints")]
[JsonDerivedType(typeof(NoteBallast), "noteBallast")]
[JsonDerivedType(typeof(BeginWalkRound), "beginWalkRound")]
[JsonDerivedType(typeof(SetConditions), "setConditions")]
[JsonDerivedType(typeof(NoteLook), "noteLook")]
[JsonDerivedType(typeof(NoteRoadTest), "noteRoadTest")]
[JsonDerivedType(typeof(NoteToldGain), "noteToldGain")]
[JsonDerivedType(typeof(PlaceStation), "placeStation")]
[JsonDerivedType(typeof(NoteStandard), "noteStandard")]
[JsonDerivedType(typeof(Sign), "sign")]
[JsonDerivedType(typeof(StoreReading), "storeReading")]
[JsonDerivedType(typeof(StoreMeasure), "storeMeasure")]
[JsonDerivedType(typeof(PassOver), "passOver")]
[JsonDerivedType(typeof(BringInReadings), "bringInReadings")]
[JsonDerivedType(typeof(SavePlan), "savePlan")]
[JsonDerivedType(typeof(ChoosePlan), "choosePlan")]
[JsonDerivedType(typeof(DropPlan), "dropPlan")]
[JsonDerivedType(typeof(MakeQuote), "makeQuote")]
[JsonDerivedType(typeof(ChooseOffer), "chooseOffer")]
[JsonDerivedType(typeof(BookWork), "bookWork")]
[JsonDerivedType(typeof(CancelBooking), "cancelBooking")]
[JsonDerivedType(typeof(FitAnyway), "fitAnyway")]
[JsonDerivedType(typeof(SetMates), "setMates")]
[JsonDerivedType(typeof(PlaceKit), "placeKit")]
[JsonDerivedType(typeof(TakeKitOut), "takeKitOut")]
[JsonDerivedType(typeof(CountKit), "countKit")]
[JsonDerivedType(typeof(ConvertAxle), "convertAxle")]
[JsonDerivedType(typeof(KeepSuspension), "keepSuspension")]
[JsonDerivedType(typeof(BeginFitting), "beginFitting")]
[JsonDerivedType(typeof(DoStep), "doStep")]
[JsonDerivedType(typeof(SetSpec), "setSpec")]
[JsonDerivedType(typeof(TightenJoint), "tightenJoint")]
[JsonDerivedType(typeof(LeaveJoint), "leaveJoint")]
[JsonDerivedType(typeof(AddJoint), "addJoint")]
[JsonDerivedType(typeof(AddOffLine), "addOffLine")]
[JsonDerivedType(typeof(AddStep), "addStep")]
[JsonDerivedType(typeof(DropStep), "dropStep")]
[JsonDerivedType(typeof(DropCut), "dropCut")]
[JsonDerivedType(typeof(NoteCut), "noteCut")]
[JsonDerivedType(typeof(LookOver), "lookOver")]
[JsonDerivedType(typeof(LookAtBoard), "lookAtBoard")]
[JsonDerivedType(typeof(CloseOffLine), "closeOffLine")]
[JsonDerivedType(typeof(NoteDeviation), "noteDeviation")]
[JsonDerivedType(typeof(AddPhotograph), "addPhotograph")]
[JsonDerivedType(typeof(PinPhotograph), "pinPhotograph")]
[JsonDerivedType(typeof(HandOver), "handOver")]
[JsonDerivedType(typeof(FinishFollowUp), "finishFollowUp")]
[JsonDerivedType(typeof(SayComeback), "sayComeback")]
[JsonDerivedType(typeof(BinJob), "binJob")]
[JsonDerivedType(typeof(RestoreJob), "restoreJob")]
[JsonDerivedType(typeof(BinWalkRound), "binWalkRound")]
[JsonDerivedType(typeof(TakeBack), "takeBack")]
public abstract record JobCommand(Guid CommandId)
{
    /// <summary>What is done, in a few words for the history.</summary>
    public abstract string Does();

    /// <summary>Parts on the shelf that the decision looks at.</summary>
    public virtual IEnumerable<Guid> PartsNamed() => [];

    /// <summary>The plan whose parts on the shelf the decision looks at.</summary>
    public virtual Guid? PlanNamed() => null;

    /// <summary>Whether the decision looks at the shop's bays and people.</summary>
    public virtual bool NamesShop() => false;

    /// <summary>The platform of the shop that the decision looks at; null where it looks at none.</summary>
    public virtual Guid? PlatformNamed() => null;

    /// <summary>Name of the owner that the decision looks for; null where it looks for none.</summary>
    public virtual string? OwnerNamed() => null;

    /// <summary>Content of photographs that the decision looks for, by SHA-256.</summary>
    public virtual IEnumerable<string> FilesNamed() => [];

    /// <summary>Instruments of the shop with which something was read.</summary>
    public virtual IEnumerable<Guid> InstrumentsNamed() => [];

    /// <summary>The change that it takes back.</summary>
    public virtual Guid? Undoes() => null;

    /// <summary>Writes the changes, or refuses.</summary>
    /// <exception cref="Tape.RefusedException">It cannot be done.</exception>
    internal abstract void Decide(JobWork work);
}
