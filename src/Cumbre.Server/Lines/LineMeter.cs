using System.Security.Claims;
using Cumbre.Core.Figures;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Lines;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Figures;
using Cumbre.Server.Hosting;
using Cumbre.Server.Ladders;
using Cumbre.Storage;
using Cumbre.Storage.Lines;
using Cumbre.Storage.Privacy;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Lines;

/// <summary>A step whose line can be measured.</summary>
/// <param name="Step">Slug.</param>
/// <param name="Name">As under the ridge.</param>
/// <param name="Movement">Slug.</param>
public sealed record LineStepDto(string Step, string Name, string Movement);

/// <summary>What a picture says.</summary>
/// <param name="Angles">Degrees.</param>
/// <param name="Errors">One standard error of each, degrees.</param>
/// <param name="Apart">Of each leg from the midline, degrees; 0 where the line does not ask it.</param>
/// <param name="Off">By how much the line misses what was asked.</param>
/// <param name="Holds">Nothing breaks the line.</param>
/// <param name="Moment">N m at the shoulders of what was held; null: height or bodyweight is unknown, or it is a
/// flag.</param>
/// <param name="Share">Of the full line; null: a flag.</param>
/// <param name="Shown">Name of the step that was shown: the asked one where its line holds, else the hardest whose demand
/// was held with straight arms and a level trunk; null: none.</param>
public sealed record LineReadingDto(
    LineAngles Angles,
    LineAngles Errors,
    double Apart,
    LineOff Off,
    bool Holds,
    double? Moment,
    double? Share,
    string? Shown
);

/// <summary>A line that was measured.</summary>
/// <param name="Id">Of it.</param>
/// <param name="Step">Slug of the step that was asked.</param>
/// <param name="Name">Of the step.</param>
/// <param name="Day">Of the picture.</param>
/// <param name="Marks">Hand, elbow, shoulder, hip, knee, ankle: right and down, px.</param>
/// <param name="Width">Of the picture, px.</param>
/// <param name="Height">Of the picture, px.</param>
/// <param name="HasPicture">It is kept.</param>
/// <param name="KeptName">Who said that it may be kept.</param>
/// <param name="Reading">What it says.</param>
/// <param name="Advice">Against the time before.</param>
public sealed record MeasuredLineDto(
    Guid Id,
    string Step,
    string Name,
    DateOnly Day,
    IReadOnlyList<PicturePoint> Marks,
    int Width,
    int Height,
    bool HasPicture,
    string? KeptName,
    LineReadingDto Reading,
    LineAdvice Advice
);

/// <param name="IsMinor">A guardian says whether a picture is kept.</param>
/// <param name="HasCamera">A camera that marks by itself is there.</param>
/// <param name="Steps">That can be measured.</param>
/// <param name="Lines">Newest first.</param>
public sealed record MeasuredLinesDto(
    bool IsMinor,
    bool HasCamera,
    IReadOnlyList<LineStepDto> Steps,
    IReadOnlyList<MeasuredLineDto> Lines
);

/// <param name="Step">Slug of the step that was asked.</param>
/// <param name="Frames">Six marks for each picture of one hold, 1 to 100 pictures.</param>
public sealed record ReadLineRequest(string Step, IReadOnlyList<IReadOnlyList<PicturePoint>> Frames);

/// <param name="Data">JPEG or PNG in base64, up to 700 kB.</param>
/// <param name="As">Who says that it may be kept; for a minor a guardian, there or on paper.</param>
/// <param name="Name">Of whoever says so, 1 to 80 characters.</param>
public sealed record PictureRequest(string Data, ConsentAs As, string Name);

/// <param name="Step">Slug of the step that was asked.</param>
/// <param name="Day">Of the picture; not after today.</param>
/// <param name="Frames">As they are read.</param>
/// <param name="Width">Of the picture, px.</param>
/// <param name="Height">Of the picture, px.</param>
/// <param name="Picture">Null: it is not kept.</param>
public sealed record MeasuredLineRequest(
    string Step,
    DateOnly Day,
    IReadOnlyList<IReadOnlyList<PicturePoint>> Frames,
    int Width,
    int Height,
    PictureRequest? Picture
);

/// <summary>What the camera saw.</summary>
/// <param name="Figure">To be drawn; null: real pictures.</param>
/// <param name="Pixels">Of a metre.</param>
/// <param name="Width">Of the picture, px.</param>
/// <param name="Height">Of the picture, px.</param>
/// <param name="CentreX">The middle of the picture, mm right of what is held.</param>
/// <param name="CentreY">Above it.</param>
/// <param name="Frames">Six marks for each picture.</param>
public sealed record CameraShotDto(
    FigurePoseDto? Figure,
    double Pixels,
    int Width,
    int Height,
    double CentreX,
    double CentreY,
    IReadOnlyList<IReadOnlyList<PicturePoint>> Frames
);

/// <summary>Lines measured in side pictures.</summary>
internal static class LineMeter
{
    private const int PictureBytesMaximum = 700_000,
        NameMaximum = 80,
        SideMaximum = 20_000;

    /// <summary>Two tables of segments differ by so much in a share.</summary>
    private const double ShareDoubt = 0.015;

    public static void MapLineMeter(this IEndpointRouteBuilder api)
    {
        const string lines = "/athletes/{athleteId:guid}/ladders/{ladder}/measured-lines";
        api.MapGet(lines, All).RequireAuthorization(Policies.OwnAthlete);
        api.MapPost($"{lines}/read", Read).RequireAuthorization(Policies.Coach);
        api.MapGet($"{lines}/camera", Shoot).RequireAuthorization(Policies.Coach);
        api.MapPut(lines + "/{id:guid}", Put).RequireAuthorization(Policies.Coach);
        api.MapDelete(lines + "/{id:guid}", Remove).RequireAuthorization(Policies.Coach);
        api.MapGet(lines + "/{id:guid}/picture", Picture).RequireAuthorization(Policies.OwnAthlete);
        api.MapDelete(lines + "/{id:guid}/picture", Forget)
            .RequireAuthorization(Policies.OwnPerson)
            .WithMetadata(new WithoutConsent());
    }

    private static Results<Ok<MeasuredLinesDto>, ProblemHttpResult> All(
        Guid athleteId,
        string ladder,
        Database database,
        ClubClock clock,
        IServiceProvider services
    ) =>
        database.Read<Results<Ok<MeasuredLinesDto>, ProblemHttpResult>>(db =>
        {
            if (LabPage.Load(db, athleteId, ladder, clock.Today) is not { Ladder: { } found } athlete)
                return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
            var measured = LineStore
                .Of(db, athleteId, ladder)
                .Where(l => Asked.Of(found, l.Step) is not null)
                .Select(l => (Line: l, Reading: Reading(athlete, Asked.Of(found, l.Step)!, l.Marks, l.Pictures)))
                .ToArray();
            return TypedResults.Ok(
                new MeasuredLinesDto(
                    !athlete.IsAdult,
                    services.GetService<ILineCamera>() is not null,
                    [
                        .. found
                            .Steps.Where(s => Asked.Of(found, s.Slug) is not null)
                            .Select(s => new LineStepDto(s.Slug, s.Name, s.Movement)),
                    ],
                    [
                        .. measured
                            .Select(
                                (m, i) =>
                                    new MeasuredLineDto(
                                        m.Line.Id,
                                        m.Line.Step,
                                        found.Steps.Single(s => s.Slug == m.Line.Step).Name,
                                        m.Line.Day,
                                        m.Line.Marks.Points,
                                        m.Line.Width,
                                        m.Line.Height,
                                        m.Line.HasPicture,
                                        m.Line.KeptName,
                                        m.Reading,
                                        LineSink.Of([
                                            .. measured
                                                .Take(i + 1)
                                                .Where(x => x.Line.Step == m.Line.Step)
                                                .GroupBy(x => x.Line.Day)
                                                .Select(day => day.Last().Reading.Angles.Line),
                                        ])
                                    )
                            )
                            .Reverse(),
                    ]
                )
            );
        });

    private static Results<Ok<LineReadingDto>, ProblemHttpResult> Read(
        Guid athleteId,
        string ladder,
        ReadLineRequest request,
        Database database,
        ClubClock clock
    )
    {
        var athlete = database.Read(db => LabPage.Load(db, athleteId, ladder, clock.Today));
        if (athlete is not { Ladder: { } found })
            return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
        var asked = Asked.Of(found, request.Step) ?? throw Problems.Field("step", Words.LineNoStep);
        return TypedResults.Ok(Reading(athlete, asked, Marks(request.Frames), request.Frames.Count));
    }

    private static Results<Ok<CameraShotDto>, ProblemHttpResult> Shoot(
        Guid athleteId,
        string ladder,
        string step,
        Database database,
        ClubClock clock,
        IServiceProvider services
    )
    {
        if (services.GetService<ILineCamera>() is not { } camera)
            return (ProblemHttpResult)Problems.NotFound(Words.NoCamera);
        var athlete = database.Read(db => LabPage.Load(db, athleteId, ladder, clock.Today));
        if (athlete is not { Ladder: { } found })
            return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
        var asked = Asked.Of(found, step) ?? throw Problems.Field("step", Words.LineNoStep);
        var shot = camera.Shoot(PoseSolver.Resolve(asked.Pose, FigureEndpoints.BodyOf(athlete.Build)));
        return TypedResults.Ok(
            new CameraShotDto(
                shot.Figure is { } figure ? FigurePoseDto.Of("seen", figure) : null,
                shot.Pixels,
                shot.Width,
                shot.Height,
                shot.Centre.X * 1000,
                shot.Centre.Y * 1000,
                [.. shot.Marks.Select(m => m.Points)]
            )
        );
    }

    private static Results<NoContent, ProblemHttpResult> Put(
        Guid athleteId,
        string ladder,
        Guid id,
        MeasuredLineRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        Problems.NotInFuture("day", request.Day, clock.Today);
        var marks = Marks(request.Frames);
        var (width, height) = Problems.At("", () =>
            (
                (int)Guard.InRange("width", request.Width, 1, SideMaximum),
                (int)Guard.InRange("height", request.Height, 1, SideMaximum)
            )
        );
        return database.Write<Results<NoContent, ProblemHttpResult>>(db =>
        {
            if (LabPage.Load(db, athleteId, ladder, clock.Today) is not { Ladder: { } found } athlete)
                return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
            if (Asked.Of(found, request.Step) is null)
                throw Problems.Field("step", Words.LineNoStep);
            var picture = request.Picture is { } kept ? Kept(kept, athlete.IsAdult) : null;
            LineStore.Add(
                db,
                athleteId,
                new(
                    id,
                    ladder,
                    request.Step,
                    request.Day,
                    marks,
                    width,
                    height,
                    request.Frames.Count,
                    picture is not null,
                    picture?.Name
                ),
                picture,
                clock.Stamp(Policies.IdOf(user))
            );
            return TypedResults.NoContent();
        });
    }

    private static NoContent Remove(Guid athleteId, string ladder, Guid id, Database database)
    {
        database.Write(db => LineStore.Remove(db, athleteId, id));
        return TypedResults.NoContent();
    }

    private static NoContent Forget(Guid athleteId, string ladder, Guid id, Database database)
    {
        database.Write(db => LineStore.Forget(db, athleteId, id));
        return TypedResults.NoContent();
    }

    private static Results<FileContentHttpResult, ProblemHttpResult> Picture(
        Guid athleteId,
        string ladder,
        Guid id,
        Database database
    )
    {
        if (database.Read(db => LineStore.Picture(db, athleteId, id)) is not { } base64)
            return (ProblemHttpResult)Problems.NotFound(Words.NoPicture);
        var bytes = Convert.FromBase64String(base64);
        return TypedResults.File(bytes, TypeOf(bytes));
    }

    private static SideMarks Marks(IReadOnlyList<IReadOnlyList<PicturePoint>> frames) =>
        Problems.At("", () => SideMarks.Mean([.. frames.Select(SideMarks.Of)]))
        ?? throw Problems.Field("frames", Words.LineMoved);

    /// <summary>A picture of a minor is kept when a guardian says so.</summary>
    private static KeptPicture Kept(PictureRequest request, bool isAdult)
    {
        if (!isAdult && request.As == ConsentAs.Athlete)
            throw Problems.Field("picture.as", Words.PictureGuardian);
        var name = Problems.Text("picture.name", request.Name, Words.WriteName, NameMaximum);
        var bytes = new byte[request.Data.Length];
        if (
            !Convert.TryFromBase64String(request.Data, bytes, out var count)
            || count > PictureBytesMaximum
            || TypeOf(bytes.AsSpan(0, count)) is null
        )
            throw Problems.Field("picture.data", Words.PictureUnfit(PictureBytesMaximum / 1000));
        return new(request.Data, request.As, name);
    }

    /// <summary>By its first bytes; null: neither JPEG nor PNG.</summary>
    private static string? TypeOf(ReadOnlySpan<byte> bytes) =>
        bytes.StartsWith((ReadOnlySpan<byte>)[0xFF, 0xD8, 0xFF]) ? "image/jpeg"
        : bytes.StartsWith((ReadOnlySpan<byte>)[0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]) ? "image/png"
        : null;

    private static LineReadingDto Reading(LabPage.Athlete athlete, Asked asked, SideMarks marks, int pictures)
    {
        var known = athlete.Body(SegmentTable.For(athlete.Build.Sex));
        var reading = LineReading.Of(marks, asked.Facing, asked.Posture, known, pictures, asked.IsFlag);
        double? share = null;
        var shown = asked.IsFlag && reading.Holds ? asked.Name : null;
        if (!asked.IsFlag)
        {
            var body = known ?? Demand.AnyBody;
            share = reading.Moment(body, asked.Facing, asked.Posture) / body.ShoulderMoment(Posture.Full);
            if (reading.Holds)
                shown = asked.Name;
            else if (reading.Straight)
                shown = athlete
                    .Ladder!.Steps.Select(s => (s.Name, Asked: Asked.Of(athlete.Ladder, s.Slug)))
                    .Where(s => s.Asked is not null)
                    .Select(s =>
                        (s.Name, Share: body.ShoulderMoment(s.Asked!.Posture) / body.ShoulderMoment(Posture.Full))
                    )
                    .Where(s => s.Share <= share + ShareDoubt)
                    .OrderBy(s => s.Share)
                    .LastOrDefault()
                    .Name;
        }

        return new(
            reading.Angles,
            reading.Errors,
            reading.Apart,
            reading.Off,
            reading.Holds,
            known is not null && !asked.IsFlag ? reading.Moment(known, asked.Facing, asked.Posture) : null,
            share,
            shown
        );
    }

    /// <summary>The line of a step.</summary>
    private sealed record Asked(string Name, Posture Posture, Pose Pose, LineFacing Facing, bool IsFlag)
    {
        /// <summary>Null: the step has no line, or no figure tells how the body faces.</summary>
        public static Asked? Of(Ladder ladder, string slug)
        {
            if (
                ladder.Steps.FirstOrDefault(s => s.Slug == slug)
                    is not { Demand: { Kind: DemandKind.Moment or DemandKind.HandForce, Posture: { } name } } step
                || PoseBook.Shipped.Movements.GetValueOrDefault(step.Movement) is not { } figure
            )
                return null;
            var pose = PoseBook.Shipped.Poses[figure.Keys[^1]];
            var isFlag = step.Demand.Kind == DemandKind.HandForce;
            return new(
                step.Name,
                Demand.PostureOf(name),
                pose,
                !isFlag && Math.Sin(pose.Trunk * Math.PI / 180) > 0 ? LineFacing.Down : LineFacing.Up,
                isFlag
            );
        }
    }
}
