using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests;

/// <summary>One dog from the first reading to the try-on: every address that tells a number tells the same one.</summary>
public sealed class JourneyTests(PracticeServer server)
{
    /// <summary>A head as read, each measure once.</summary>
    public sealed record Head(string Shape, string Purpose, double Left, double Right, double Girth, double Height, double Width, double Jaw, double Neck);

    public static TheoryData<Head> Heads =>
        [
            new Head("long", "walks", 114, 116, 210, 62, 55, 162, 395),
            new Head("medium", "walks", 98, 100, 272, 80, 73, 149, 430),
            new Head("medium", "clinic", 83, 84, 218, 63, 58, 126, 345),
            new Head("short", "clinic", 64, 66, 266, 76, 81, 112, 450),
        ];

    private async Task<string> MeasuredAsync(Head head)
    {
        var dog = await server.NewDogAsync(
            new
            {
                name = $"Journey {head.Shape}",
                headShapeSeen = head.Shape,
                bodyMassKg = 24,
                purposes = new[] { head.Purpose },
            }
        );
        foreach (var (measure, side, mm) in Readings(head))
            Assert.Equal(
                HttpStatusCode.OK,
                (
                    await server.PostAsync(
                        $"{dog}/readings",
                        new
                        {
                            measure,
                            side,
                            text = $"{mm} mm",
                            tool = "softTape",
                        }
                    )
                ).Status
            );
        return dog;
    }

    private static (string Measure, string? Side, double Mm)[] Readings(Head h) =>
        [
            ("noseToInnerEye", "left", h.Left),
            ("noseToInnerEye", "right", h.Right),
            ("snoutGirth", null, h.Girth),
            ("snoutHeight", null, h.Height),
            ("snoutWidth", null, h.Width),
            ("jawToNose", null, h.Jaw),
            ("neckGirth", null, h.Neck),
        ];

    private static object Snout(Head h) =>
        new
        {
            noseToInnerEyeLeftMm = h.Left,
            noseToInnerEyeRightMm = h.Right,
            snoutGirthMm = h.Girth,
            snoutHeightMm = h.Height,
            snoutWidthMm = h.Width,
            jawToNoseMm = h.Jaw,
            neckGirthMm = h.Neck,
            headShape = h.Shape,
        };

    private static double Mm(JsonNode rows, string name) => rows.AsArray().Single(r => r!["name"]!.GetValue<string>() == name)!["mm"]!.GetValue<double>();

    [Theory]
    [MemberData(nameof(Heads))]
    public async Task Bench_and_what_if_tell_the_same_means_and_doubts(Head head)
    {
        var dog = await MeasuredAsync(head);
        var bench = (await server.GetAsync($"{dog}/bench"))["measures"]!.AsArray();
        var asked = await server.PostAsync(
            "/api/what-if/measure",
            new
            {
                fitStyle = "everyday",
                headShape = head.Shape,
                bodyMassKg = 24,
                readings = Readings(head)
                    .Select(r => new
                    {
                        measure = r.Measure,
                        side = r.Side,
                        text = $"{r.Mm}",
                        unit = "mm",
                        tool = "softTape",
                    }),
            }
        );
        foreach (var told in asked["measures"]!.AsArray().Where(m => m!["state"]!.GetValue<string>() == "measured"))
        {
            var own = bench.Single(m =>
                m!["measure"]!.GetValue<string>() == told!["measure"]!.GetValue<string>() && m["side"]?.GetValue<string>() == told["side"]?.GetValue<string>()
            )!;
            Assert.Equal(own["meanMm"]!.GetValue<double>(), told!["meanMm"]!.GetValue<double>(), 6);
            Assert.Equal(own["standardUncertaintyMm"]!.GetValue<double>(), told["standardUncertaintyMm"]!.GetValue<double>(), 6);
        }
    }

    [Theory]
    [MemberData(nameof(Heads))]
    public async Task List_detail_drawing_and_svg_tell_the_same_rooms(Head head)
    {
        var dog = await MeasuredAsync(head);
        var row = (await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray().First(f => f!["type"]!.GetValue<string>() == "basket")!;
        var detail = await server.GetAsync($"{dog}/fits/{row["sizeId"]}");
        var (fit, drawing) = (detail["fit"]!, detail["drawing"]!);
        Assert.Equal(
            (row["verdict"]!.GetValue<string>(), row["chance"]?.GetValue<double>()),
            (fit["verdict"]!.GetValue<string>(), fit["chance"]?.GetValue<double>())
        );
        Assert.Equal(fit["noseRoomMm"]!.GetValue<double>(), Mm(drawing["dimensions"]!, "noseRoom"), 6);
        Assert.Equal(fit["eyeRoomMm"]!.GetValue<double>(), Mm(drawing["dimensions"]!, "eyeRoom"), 6);
        Assert.Equal((head.Width, head.Height), (Mm(drawing["sectionDimensions"]!, "snoutWidth"), Mm(drawing["sectionDimensions"]!, "snoutDepth")));
        Assert.Equal(fit["size"]!["widthRearMm"]!.GetValue<double>(), Mm(drawing["sectionDimensions"]!, "basketWidth"), 6);
        Assert.Equal(head.Left - fit["size"]!["lengthMm"]!.GetValue<double>(), fit["shoveEyeRoomMm"]!.GetValue<double>(), 6);

        // In the drawing to download: the same in the unit asked for, the section's width among it.
        var svg = await server.Http.GetStringAsync($"{dog}/fits/{row["sizeId"]}/drawing.svg?unit=cm");
        Assert.Contains($"nose {fit["noseRoomMm"]!.GetValue<double>() / 10:0.0} cm", svg, StringComparison.Ordinal);
        Assert.Contains($">{fit["size"]!["widthRearMm"]!.GetValue<double>() / 10:0.0} cm<", svg, StringComparison.Ordinal);
    }

    /// <summary>What the order sheet asks a maker for is, put to the what-if as a basket, one that may be worn and opens as far as the sheet says.</summary>
    [Theory]
    [MemberData(nameof(Heads))]
    public async Task What_is_ordered_is_what_the_what_if_calls_a_fit(Head head)
    {
        var dog = await MeasuredAsync(head);
        var order = await server.GetAsync($"{dog}/order");
        double Wanted(string name) => order["dimensions"]!.AsArray().Single(d => d!["name"]!.GetValue<string>() == name)!["wantedMm"]!.GetValue<double>();
        var strap = order["dimensions"]!.AsArray().Single(d => d!["name"]!.GetValue<string>() == "Neck strap loop")!;
        var brief = (await server.GetAsync($"{dog}/fits"))["brief"]!;
        var judged = await server.PostAsync(
            "/api/what-if/fit",
            new
            {
                snout = Snout(head),
                basket = new
                {
                    lengthMm = Wanted("Inner length"),
                    depthFrontMm = Wanted("Depth in front"),
                    depthRearMm = Wanted("Depth at the rear edge"),
                    widthRearMm = Wanted("Width at the rear edge"),
                    openingGirthMm = Wanted("Girth at the rear edge"),
                    neckStrapMinMm = strap["leastMm"]!.GetValue<double>(),
                    neckStrapMaxMm = strap["mostMm"]!.GetValue<double>(),
                },
                fitStyle = brief["fitStyle"]!.GetValue<string>(),
                neededGapeDeg = brief["neededGapeDeg"]!.GetValue<double>(),
                fingers = brief["fingers"]!.GetValue<int>(),
            }
        );
        Assert.Equal(order.Number("gapeDeg"), judged.Number("gapeDeg"), 3);
        Assert.All(judged["criteria"]!.AsArray(), c => Assert.NotEqual("out", c!["verdict"]!.GetValue<string>()));
        Assert.Equal(strap["wantedMm"]!.GetValue<double>(), judged.Number("neckLoopMm"), 3);
    }

    /// <summary>The strap to mark is one number, from the list to the record on the dog.</summary>
    [Theory]
    [MemberData(nameof(Heads))]
    public async Task The_strap_to_mark_is_the_same_in_hand_when_chosen_and_at_the_try_on(Head head)
    {
        var dog = await MeasuredAsync(head);
        var sizeId = (await server.GetAsync($"{dog}/fits"))["fits"]![0]!["sizeId"]!.GetValue<string>();
        var strap = (await server.GetAsync($"{dog}/fits/{sizeId}"))["fit"]!["strap"]!;
        var kept = (await server.PostAsync($"{dog}/choice", new { sizeId }))["kept"]!["strap"]!;
        var right = (await server.GetAsync($"{dog}/try-on"))["right"]!;
        foreach (var other in new[] { kept, right })
        {
            Assert.Equal(strap["loopMm"]!.GetValue<double>(), other["loopMm"]!.GetValue<double>(), 1);
            Assert.Equal(strap["hole"]?.GetValue<int>(), other["hole"]?.GetValue<int>());
        }

        var fastened = strap["hole"] is { } hole
            ? (object)
                new
                {
                    sizeId,
                    answers = new { neck = true },
                    hole = hole.GetValue<int>(),
                }
            : new
            {
                sizeId,
                answers = new { neck = true },
                fromTightestMm = strap["fromTightestMm"]!.GetValue<double>(),
            };
        await server.PostAsync($"{dog}/try-ons", fastened);
        Assert.Equal(strap["loopMm"]!.GetValue<double>(), (await server.GetAsync(dog))["tried"]!["strap"]!["loopMm"]!.GetValue<double>(), 1);
    }

    /// <summary>A dog whose readings went out as a file and came in again elsewhere is fitted just the same.</summary>
    [Theory]
    [MemberData(nameof(Heads))]
    public async Task Readings_that_travel_as_a_file_give_the_same_list(Head head)
    {
        var dog = await MeasuredAsync(head);
        var text = await server.Http.GetStringAsync($"{dog}/readings.csv");
        var other = await server.NewDogAsync(
            new
            {
                name = "Elsewhere",
                headShapeSeen = head.Shape,
                bodyMassKg = 24,
                purposes = new[] { head.Purpose },
            }
        );
        Assert.Equal(HttpStatusCode.OK, (await server.PostAsync($"{other}/readings/import", new { text })).Status);
        async Task<IEnumerable<string>> ListAsync(string of) =>
            (await server.GetAsync($"{of}/fits"))["fits"]!.AsArray().Select(f => $"{f!["sizeId"]} {f["group"]} {f["chance"]} {f["deciding"]!["reason"]}");
        Assert.Equal(await ListAsync(dog), await ListAsync(other));
    }
}
