using System.Net;

namespace JauntyBadge.Server.Tests;

public sealed class ErrorTests(PracticeServer server)
{
    [Fact]
    public async Task A_body_over_a_megabyte_is_too_large()
    {
        var answer = await server.PostAsync("/api/dogs", $$"""{"name": "{{new string('x', 1_100_000)}}"}""");
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, answer.Status);
        Assert.Contains("1 MB", answer.Text("detail"), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("{ this is not json")]
    [InlineData("[1,2,3]")]
    [InlineData("\"text\"")]
    [InlineData("null")]
    [InlineData("")]
    public async Task Nonsense_is_a_clear_400(string body)
    {
        var answer = await server.PostAsync("/api/dogs", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
        Assert.NotEmpty(answer.Text("title"));
    }

    public static TheoryData<string, string, string, string> Unsound =>
        new()
        {
            {
                "PUT",
                "/api/dogs/{id}/wears/6f9619ff-8b86-d011-b42d-00c04fc964ff",
                """{"startedAt":"2026-05-31T10:00:00Z","occasion":"fun","signs":[null]}""",
                "signs"
            },
            { "POST", "/api/what-if/balance", """{"wears":[null],"on":"2026-06-01"}""", "wears" },
            { "POST", "/api/dogs", """{"name":"Pip\u0000"}""", "name" },
            { "POST", "/api/dogs", """{"name":"Pip","notes":"a\u001bb"}""", "notes" },
            { "POST", "/api/dogs", """{"name":"Pip","purposes":[null]}""", "purposes[0]" },
            { "POST", "/api/catalogue/draw", """{"type":"basket","size":{"lengthMm":95,"depthFrontMm":1e300,"depthRearMm":1e300}}""", "size.depthFrontMm" },
            { "PUT", "/api/round/stops", """{"places":["the quay",null]}""", "places" },
            { "POST", "/api/dogs/{id}/inspections", """{"failed":[null]}""", "failed" },
        };

    /// <summary>Gaps in lists, characters nobody sees, numbers nothing has: refused by field, whatever the address is for.</summary>
    [Theory]
    [MemberData(nameof(Unsound))]
    public async Task What_nothing_can_use_is_refused_by_its_field(string method, string path, string body, string field)
    {
        var dog = (await server.NewDogAsync()).Split('/')[^1];
        var answer = await server.EditAsync(new HttpMethod(method), path.Replace("{id}", dog, StringComparison.Ordinal), body, 0);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
        Assert.NotNull(answer.Problem(field));
    }

    [Theory]
    [InlineData("GET", "/api/breeds?find=a%00b", HttpStatusCode.BadRequest)]
    [InlineData("GET", "/api/dogs/%01", HttpStatusCode.NotFound)]
    [InlineData("PATCH", "/api/dogs", HttpStatusCode.MethodNotAllowed)]
    [InlineData("TEXT", "/api/dogs", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("BARE", "/api/dogs", HttpStatusCode.BadRequest)]
    [InlineData("HALF", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/photos", HttpStatusCode.BadRequest)]
    public async Task Every_refusal_is_told_in_our_words(string method, string path, HttpStatusCode status)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method is "TEXT" or "BARE" or "HALF" ? "POST" : method), path);
        if (method == "TEXT")
            request.Content = new StringContent("name=Pip", System.Text.Encoding.UTF8, "text/plain");
        if (method == "HALF")
        {
            request.Content = new StringContent("--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"p.jpg\"\r\n\r\nabc");
            request.Content.Headers.ContentType = System.Net.Http.Headers.MediaTypeHeaderValue.Parse("multipart/form-data; boundary=x");
        }

        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        var said = await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        Assert.Equal((status, "application/problem+json"), (answer.StatusCode, answer.Content.Headers.ContentType?.MediaType));
        Assert.DoesNotMatch("parameter \"|Unexpected end|MediaType|Microsoft|System\\.", said);
    }

    /// <summary>An earlier release took characters nobody sees; the files made of what it kept can be read all the same.</summary>
    [Fact]
    public async Task What_an_earlier_release_took_breaks_no_file()
    {
        var dog = await server.MeasuredDogAsync();
        using (
            var connection = new Microsoft.Data.Sqlite.SqliteConnection(
                $"Data Source={JauntyBadge.Data.PracticeFolder.DatabaseIn(server.Folder)};Pooling=False"
            )
        )
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = """UPDATE "Dogs" SET "Name" = 'Pip' || char(0) || char(27) || 'pin'; UPDATE "Readings" SET "TakenBy" = 'Wren' || char(7);""";
            command.ExecuteNonQuery();
        }

        foreach (var file in new[] { "fits/withy-5/drawing.svg", "plan/calendar.ics", "readings.csv" })
        {
            var text = await server.Http.GetStringAsync($"{dog}/{file}", TestContext.Current.CancellationToken);
            Assert.DoesNotContain(text, c => char.IsControl(c) && c is not ('\r' or '\n' or '\t'));
        }
    }

    [Fact]
    public async Task A_name_nobody_knows_this_machine_by_is_refused_in_our_words()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/round");
        request.Headers.Host = "elsewhere.example";
        using var answer = await server.Http.SendAsync(request, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
    }

    /// <summary>Every address of the API document that reads something by its id says so when nothing has it.</summary>
    [Fact]
    public async Task What_is_not_there_is_a_404()
    {
        var document = (await server.GetAsync("/api/openapi/v1.json")).Json;
        var addresses = document["paths"]!
            .AsObject()
            .Where(p => p.Value!["get"] is not null)
            .Select(p => p.Key)
            .Where(path => path.Contains('{', StringComparison.Ordinal) && !MadeAsAsked.Contains(path))
            .ToList();
        Assert.True(addresses.Count > 20);
        var wrong = new List<string>();
        foreach (
            var path in addresses
                .SelectMany(path => new[] { WithIds(path, "6f9619ff-8b86-d011-b42d-00c04fc964ff"), WithIds(path, "unicorn") })
                .Append("/api/nothing/here")
        )
        {
            var answer = await server.GetAsync(path);
            if (answer.Status != HttpStatusCode.NotFound || answer.MediaType != "application/problem+json")
                wrong.Add($"{path}: {answer.Status}, {answer.MediaType}, {answer.Json}");
        }

        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
    }

    /// <summary>Addresses that refuse what was asked by its name before they look for anything.</summary>
    private static readonly string[] MadeAsAsked = ["/api/demo-pictures/{view}", "/api/dogs/{id}/bench/typing", "/api/dogs/{id}/measuring-sets/compare"];

    private static string WithIds(string path, string id) => System.Text.RegularExpressions.Regex.Replace(path, "\\{[^}]*\\}", id);

    [Theory]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/sessions")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/archive")]
    [InlineData("DELETE", "/api/catalogue/unicorn")]
    [InlineData("POST", "/api/catalogue/withy/versions/7")]
    public async Task Nothing_is_done_to_what_is_not_there(string method, string path)
    {
        var answer = await server.SendAsync(new HttpMethod(method), path);
        Assert.Equal(HttpStatusCode.NotFound, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
    }

    public static TheoryData<string, string> WrongDogs =>
        new()
        {
            { """{"name":""}""", "name" },
            { """{"breedIds":[]}""", "name" },
            { """{"name":"Pip","birthDate":"2026-06-02"}""", "birthDate" },
            { """{"name":"Pip","birthDate":"1980-01-01"}""", "birthDate" },
            { """{"name":"Pip","birthDate":"yesterday"}""", "birthDate" },
            { """{"name":"Pip","ageMonths":-3}""", "ageMonths" },
            { """{"name":"Pip","bodyMassKg":-4}""", "bodyMassKg" },
            { """{"name":"Pip","bodyMassKg":4000}""", "bodyMassKg" },
            { """{"name":"Pip","bodyMassKg":"heavy"}""", "bodyMassKg" },
            { """{"name":"Pip","coatId":"invisible"}""", "coatId" },
            { """{"name":"Pip","breedIds":["unicorn"]}""", "breedIds[0]" },
            { """{"name":"Pip","breedIds":["pug","boxer","beagle"]}""", "breedIds" },
            { """{"name":"Pip","temperament":"angelic"}""", "temperament" },
            { """{"name":"Pip","purposes":["flying"]}""", "purposes[0]" },
        };

    [Theory]
    [MemberData(nameof(WrongDogs))]
    public async Task A_wrong_field_of_a_dog_is_named(string body, string field)
    {
        var answer = await server.PostAsync("/api/dogs", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    [Theory]
    [InlineData("""{"measure":"noseToInnerEye","text":"95"}""", "side")]
    [InlineData("""{"measure":"neckGirth","side":"left","text":"95"}""", "side")]
    [InlineData("""{"text":"95"}""", "measure")]
    [InlineData("""{"measure":"tail","text":"95"}""", "measure")]
    [InlineData("""{"measure":"neckGirth","text":"-95"}""", "text")]
    [InlineData("""{"measure":"neckGirth","text":"9 km"}""", "text")]
    [InlineData("""{"measure":"neckGirth","text":null}""", "text")]
    [InlineData("""{"id":"x","measure":"neckGirth","text":"95"}""", "id")]
    public async Task A_wrong_reading_is_named_and_nothing_is_kept(string body, string field)
    {
        var dog = await server.NewDogAsync();
        var answer = await server.PostAsync($"{dog}/readings", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
        Assert.Empty((await server.GetAsync($"{dog}/bench"))["readings"]!.AsArray());
    }

    [Theory]
    [InlineData("bench?unit=ell", "unit")]
    [InlineData("bench/typing?text=9", "measure")]
    [InlineData("bench/typing?measure=tail&text=9", "measure")]
    [InlineData("bench/typing?measure=neckGirth&text=9&tool=eye", "tool")]
    [InlineData("measuring-sets/compare?before=6f9619ff-8b86-d011-b42d-00c04fc964ff&after=6f9619ff-8b86-d011-b42d-00c04fc964ff", "before")]
    [InlineData("fits?fitStyle=strict", "fitStyle")]
    [InlineData("fits?fingers=77", "fingers")]
    [InlineData("fits?fingers=many", "fingers")]
    [InlineData("fits?minutes=0", "minutes")]
    [InlineData("fits?mostPrice=cheap", "mostPrice")]
    [InlineData("fits?by=tomorrow", "by")]
    [InlineData("try-on?unit=ell", "unit")]
    [InlineData("fits?uses=walks&uses=flying", "uses")]
    public async Task A_wrong_query_is_named(string query, string field)
    {
        var answer = await server.GetAsync($"{await server.NewDogAsync()}/{query}");
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem(field));
    }

    [Theory]
    [InlineData("application/json; charset=klingon", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=utf-16", HttpStatusCode.Created)]
    [InlineData("text/plain", HttpStatusCode.UnsupportedMediaType)]
    public async Task An_encoding_nobody_knows_is_refused(string type, HttpStatusCode status)
    {
        using var content = new ByteArrayContent(
            (type.Contains("16", StringComparison.Ordinal) ? System.Text.Encoding.Unicode : System.Text.Encoding.UTF8).GetBytes("""{"name":"Pip"}""")
        );
        content.Headers.TryAddWithoutValidation("Content-Type", type);
        using var answer = await server.Http.PostAsync("/api/dogs", content, TestContext.Current.CancellationToken);
        Assert.Equal(status, answer.StatusCode);
    }

    [Theory]
    [InlineData("/api/what-if/strap", """{"neckGirthMm":1e999}""")]
    [InlineData("/api/dogs", """{"name":"Pip","bodyMassKg":1e999}""")]
    [InlineData("/api/dogs", """{"name":"Pip","bodyMassKg":-1e999}""")]
    public async Task A_number_beyond_numbers_is_refused_by_name(string path, string body)
    {
        var answer = await server.PostAsync(path, body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.Contains("a number is expected", answer.Json["errors"]!.AsObject().First().Value![0]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("٩٥")]
    [InlineData("９５ mm")]
    [InlineData("३ १/२ in")]
    public async Task A_reading_in_other_digits_is_refused_with_words(string text)
    {
        var answer = await server.PostAsync($"{await server.NewDogAsync()}/readings", new { measure = "neckGirth", text });
        Assert.Equal(HttpStatusCode.BadRequest, answer.Status);
        Assert.NotNull(answer.Problem("text"));
    }
}
