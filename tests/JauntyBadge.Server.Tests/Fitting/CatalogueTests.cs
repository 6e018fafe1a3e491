using System.Net;
using System.Text.Json.Nodes;

namespace JauntyBadge.Server.Tests.Fitting;

public sealed class CatalogueTests(PracticeServer server) : IClassFixture<PracticeServer>
{
    private async Task<JsonNode?> AwayAsync(string modelId) =>
        (await server.GetAsync("/api/catalogue/away")).Json.AsArray().SingleOrDefault(m => m!["modelId"]!.GetValue<string>() == modelId);

    private static (int Revision, int? Before, bool Unreadable) Away(JsonNode model) =>
        (model["revision"]!.GetValue<int>(), model["before"]?.GetValue<int>(), model["unreadable"]!.GetValue<bool>());

    [Fact]
    public async Task A_fit_made_before_a_model_changed_still_shows_the_muzzle_as_it_was()
    {
        var dog = await server.MeasuredDogAsync();
        var choice = await server.PostAsync($"{dog}/choice", new { sizeId = "withy-5" });
        var drawn = (await server.GetAsync($"{dog}/choices")).Json[0]!["drawing"]!.ToJsonString();
        var model = (await server.GetAsync("/api/catalogue")).Json.AsArray().Single(m => m!["model"]!["id"]!.GetValue<string>() == "withy")!;
        var entry = model["model"]!.DeepClone().AsObject();
        entry.Remove("id");
        entry["note"] = "Now deeper.";
        foreach (var size in entry["sizes"]!.AsArray())
            size!["depthFrontMm"] = size["depthFrontMm"]!.GetValue<double>() + 10;
        Assert.Equal(2, (await server.EditAsync(HttpMethod.Put, "/api/catalogue/withy", entry.ToJsonString(), 0)).Number("revision"));
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await server.EditAsync(HttpMethod.Put, "/api/catalogue/withy", entry.ToJsonString(), 0)).Status);

        var kept = (await server.GetAsync($"{dog}/choices")).Json[0]!;
        Assert.Equal(drawn, kept["drawing"]!.ToJsonString());
        Assert.Equal(
            (119, "Coated wire over the whole face; bends for nobody."),
            (kept["kept"]!["size"]!["depthFrontMm"]!.GetValue<double>(), kept["kept"]!["muzzle"]!["note"]!.GetValue<string>())
        );
        Assert.Equal(129, (await server.GetAsync($"{dog}/fits/withy-5"))["fit"]!["size"]!["depthFrontMm"]!.GetValue<double>());
        Assert.Equal([2, 1], (await server.GetAsync("/api/catalogue/withy/versions")).Json.AsArray().Select(v => v!["revision"]!.GetValue<int>()));

        // Putting the model away leaves the choice as it is too; the first version is brought back.
        await server.SendAsync(HttpMethod.Delete, "/api/catalogue/withy");
        Assert.Equal(HttpStatusCode.NotFound, (await server.GetAsync($"{dog}/fits/withy-5")).Status);
        Assert.Equal("Withy", (await server.GetAsync(dog))["choice"]!["kept"]!["model"]!.GetValue<string>());
        Assert.Equal((3, 2, false), Away((await AwayAsync("withy"))!));
        Assert.Equal(4, (await server.PostAsync("/api/catalogue/withy/versions/1")).Number("revision"));
        Assert.Equal(choice.Text("sizeId"), (await server.GetAsync($"{dog}/fits/withy-5"))["fit"]!["sizeId"]!.GetValue<string>());
    }

    [Fact]
    public async Task Impossible_geometry_is_refused_by_field_and_drawn_when_it_is_mended()
    {
        object Model(double girth) =>
            new
            {
                name = "Quarry",
                maker = "Ours",
                type = "basket",
                sizes = new[]
                {
                    new
                    {
                        label = "M",
                        lengthMm = 95,
                        depthFrontMm = 110,
                        depthRearMm = 95,
                        widthRearMm = 85,
                        openingGirthMm = girth,
                        neckStrapMinMm = 350,
                        neckStrapMaxMm = 500,
                    },
                },
            };
        var refused = await server.PostAsync("/api/catalogue", Model(200));
        Assert.Contains("at least 255 mm", refused.Problem("sizes[0].openingGirthMm"), StringComparison.Ordinal);
        Assert.Contains(
            "at least 255",
            (
                await server.PostAsync(
                    "/api/catalogue/draw",
                    new
                    {
                        type = "basket",
                        size = new
                        {
                            lengthMm = 95,
                            depthFrontMm = 110,
                            depthRearMm = 95,
                            widthRearMm = 85,
                            openingGirthMm = 200,
                        },
                    }
                )
            )["problems"]![0]!["says"]!.GetValue<string>(),
            StringComparison.Ordinal
        );
        var drawn = await server.PostAsync("/api/catalogue/draw", new { type = "basket", size = new { lengthMm = 95, openingGirthMm = 330 } });
        Assert.NotEmpty(drawn["drawing"]!["basket"]!.AsArray());
        Assert.Contains("assumed", drawn.Text("assumed"), StringComparison.Ordinal);
        var made = await server.PostAsync("/api/catalogue", Model(320));
        Assert.Equal("quarry-m", made["model"]!["sizes"]![0]!["id"]!.GetValue<string>());
        Assert.NotNull((await server.PostAsync("/api/catalogue", Model(330))).Problem("name"));

        // Sent again because the answer got lost: it is the one that is there.
        Assert.Equal(made.Number("version"), (await server.PostAsync("/api/catalogue", Model(320))).Number("version"));
        await server.SendAsync(HttpMethod.Delete, "/api/catalogue/quarry");
        Assert.Equal(HttpStatusCode.NotFound, (await server.PutAsync("/api/catalogue/unicorn", Model(320))).Status);
    }

    [Fact]
    public async Task A_size_chart_in_inches_is_mapped_previewed_and_taken_in_whole_or_not_at_all()
    {
        const string Chart = "Size,Inside length (in),Circumference (in),Neck (in)\nS,3 1/4,10 1/2,12-17\nM,3 7/8,twelve,14-20\n";
        var opened = await server.PostAsync("/api/catalogue/chart/open", new { text = Chart });
        var columns = opened["guess"]!;
        Assert.Equal(4, columns.AsArray().Count);
        var rows = (await server.PostAsync("/api/catalogue/chart/read", new { text = Chart, columns })).Json.AsArray();
        Assert.Equal(82.55, rows[0]!["size"]!["lengthMm"]!.GetValue<double>(), 6);
        Assert.Contains("twelve", rows[1]!["problems"]![0]!.GetValue<string>(), StringComparison.Ordinal);

        var model = new
        {
            name = "Reed",
            maker = "Post order",
            type = "basket",
            material = "mouldedRubber",
            closure = "buckle",
        };
        var refused = await server.PostAsync(
            "/api/catalogue/chart/import",
            new
            {
                text = Chart,
                columns,
                model,
            }
        );
        Assert.Contains("Row 3", refused.Problem("text"), StringComparison.Ordinal);
        Assert.DoesNotContain((await server.GetAsync("/api/catalogue")).Json.AsArray(), m => m!["model"]!["name"]!.GetValue<string>() == "Reed");

        var mended = Chart.Replace("twelve", "12 1/4", StringComparison.Ordinal);
        var made = await server.PostAsync(
            "/api/catalogue/chart/import",
            new
            {
                text = mended,
                columns,
                model,
            }
        );
        Assert.Equal(["reed-s", "reed-m"], made["model"]!["sizes"]!.AsArray().Select(s => s!["id"]!.GetValue<string>()));
        var dog = await server.MeasuredDogAsync();
        Assert.Contains((await server.GetAsync($"{dog}/fits/reed-m"))["fit"]!["notChecked"]!.AsArray(), n => n!["name"]!.GetValue<string>() == "width");
        Assert.StartsWith("label,length_mm", await server.Http.GetStringAsync("/api/catalogue/reed/chart.csv"), StringComparison.Ordinal);

        // Again onto the model there is: sizes keep their addresses, and the version counts up.
        var again = await server.PostAsync(
            "/api/catalogue/chart/import",
            new
            {
                text = mended.Replace("3 7/8", "4", StringComparison.Ordinal),
                columns,
                modelId = "reed",
            }
        );
        Assert.Equal(
            (2, "reed-m", 101.6),
            (again.Number("revision"), again["model"]!["sizes"]![1]!["id"]!.GetValue<string>(), again["model"]!["sizes"]![1]!["lengthMm"]!.GetValue<double>())
        );
        // Made of the chart as it was: another hand was faster, and is shown.
        var stale = new
        {
            text = mended,
            columns,
            modelId = "reed",
        };
        var told = await server.EditAsync(HttpMethod.Post, "/api/catalogue/chart/import", stale, (long)made.Number("version"));
        Assert.Equal((HttpStatusCode.PreconditionFailed, again.Number("version")), (told.Status, told.Number("version")));
        Assert.Equal(101.6, told["current"]!["model"]!["sizes"]![1]!["lengthMm"]!.GetValue<double>());
        await server.SendAsync(HttpMethod.Delete, "/api/catalogue/reed");
    }

    [Theory]
    [InlineData("open", """{"text":""}""", "text")]
    [InlineData("open", """{"text":"one"}""", "text")]
    [InlineData("read", """{"text":"a,b","columns":[]}""", "columns")]
    [InlineData(
        "import",
        """{"text":"size,length\n","columns":[{"column":0,"field":"label","unit":"none"},{"column":1,"field":"length","unit":"mm"}],"model":{"name":"X"}}""",
        "text"
    )]
    public async Task A_chart_that_cannot_be_used_is_named(string what, string body, string field) =>
        Assert.NotNull((await server.PostAsync($"/api/catalogue/chart/{what}", body)).Problem(field));

    /// <summary>What nobody put away but cannot be read is offered for no dog and said to be so, and an earlier version can be brought back.</summary>
    [Fact]
    public async Task A_model_that_cannot_be_read_is_shown_as_such()
    {
        var dog = await server.MeasuredDogAsync();
        var entry = (await server.GetAsync("/api/catalogue")).Json.AsArray().Single(m => m!["model"]!["id"]!.GetValue<string>() == "osier")!["model"]!
            .DeepClone()
            .AsObject();
        entry.Remove("id");
        entry["note"] = "Stiffer now.";
        await server.PutAsync("/api/catalogue/osier", entry.ToJsonString());
        entry["note"] = "Softer again.";
        await server.PutAsync("/api/catalogue/osier", entry.ToJsonString());
        Opening.Do(server.Folder, """UPDATE "Muzzles" SET "Body" = '{"type":"hat"}' WHERE "ModelId" = 'osier' AND "Version" = 3""");

        var away = (await AwayAsync("osier"))!;
        Assert.Equal((3, 2, true), Away(away));
        Assert.Equal("Osier", away["name"]!.GetValue<string>());
        Assert.DoesNotContain((await server.GetAsync("/api/catalogue")).Json.AsArray(), m => m!["model"]!["id"]!.GetValue<string>() == "osier");
        Assert.DoesNotContain(
            (await server.GetAsync($"{dog}/fits"))["fits"]!.AsArray(),
            f => f!["sizeId"]!.GetValue<string>().StartsWith("osier", StringComparison.Ordinal)
        );
        Assert.Equal(
            [true, false, false],
            (await server.GetAsync("/api/catalogue/osier/versions")).Json.AsArray().Select(v => v!["unreadable"]!.GetValue<bool>())
        );

        var back = await server.EditAsync(HttpMethod.Post, "/api/catalogue/osier/versions/2", null, away["version"]!.GetValue<long>());
        Assert.Equal((4, "Stiffer now."), (back.Number("revision"), back["model"]!["note"]!.GetValue<string>()));
        Assert.Null(await AwayAsync("osier"));
    }
}
