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

    [Theory]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/bench")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/fits")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/plan")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/sessions")]
    [InlineData("POST", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/archive")]
    [InlineData("GET", "/api/sessions/6f9619ff-8b86-d011-b42d-00c04fc964ff")]
    [InlineData("GET", "/api/dogs/not-an-id")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/order")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/choices")]
    [InlineData("GET", "/api/dogs/6f9619ff-8b86-d011-b42d-00c04fc964ff/try-ons")]
    [InlineData("GET", "/api/catalogue/unicorn/versions")]
    [InlineData("GET", "/api/catalogue/unicorn/chart.csv")]
    [InlineData("DELETE", "/api/catalogue/unicorn")]
    [InlineData("POST", "/api/catalogue/withy/versions/7")]
    [InlineData("GET", "/api/nothing/here")]
    public async Task What_is_not_there_is_a_404(string method, string path)
    {
        var answer = await server.SendAsync(new HttpMethod(method), path);
        Assert.Equal(HttpStatusCode.NotFound, answer.Status);
        Assert.Equal("application/problem+json", answer.MediaType);
    }

    public static TheoryData<string, string> WrongDogs => new()
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
    [InlineData("fits?school=strict", "school")]
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

    /// <summary>Whatever is thrown at any address that takes a body, the answer is never a 500.</summary>
    [Fact]
    public async Task No_body_makes_the_server_fail()
    {
        var dog = await server.MeasuredDogAsync();
        var session = (await server.PostAsync($"{dog}/sessions")).Text("id");
        var id = Guid.NewGuid();
        (HttpMethod Method, string Path)[] addresses =
        [
            (HttpMethod.Post, "/api/dogs"), (HttpMethod.Put, dog), (HttpMethod.Post, $"{dog}/readings"), (HttpMethod.Post, $"{dog}/choice"),
            (HttpMethod.Post, $"{dog}/plan/position"), (HttpMethod.Put, $"/api/sessions/{session}/goes/{id}"), (HttpMethod.Put, $"/api/sessions/{session}/signs/{id}"),
            (HttpMethod.Post, "/api/what-if/reading"), (HttpMethod.Post, "/api/what-if/strap"), (HttpMethod.Post, "/api/what-if/fit"),
            (HttpMethod.Post, "/api/what-if/measure"), (HttpMethod.Post, "/api/what-if/photo"), (HttpMethod.Put, $"{dog}/bench"), (HttpMethod.Post, $"{dog}/measuring-sets"),
            (HttpMethod.Post, $"{dog}/readings/{id}/judge"), (HttpMethod.Post, $"{dog}/readings/import"), (HttpMethod.Post, $"{dog}/readings/import/preview"),
            (HttpMethod.Post, $"{dog}/photos"), (HttpMethod.Put, $"{dog}/photos/{id}"), (HttpMethod.Post, $"{dog}/photos/{id}/take"), (HttpMethod.Post, "/api/breeds"), (HttpMethod.Put, "/api/breeds/pug"),
            (HttpMethod.Post, "/api/devices/tape/stand-in"),
            (HttpMethod.Post, "/api/what-if/brief"), (HttpMethod.Put, $"{dog}/brief/treats"), (HttpMethod.Put, "/api/fit-settings"), (HttpMethod.Post, "/api/catalogue"),
            (HttpMethod.Put, "/api/catalogue/heron"), (HttpMethod.Post, "/api/catalogue/draw"), (HttpMethod.Post, "/api/catalogue/chart/open"), (HttpMethod.Post, "/api/catalogue/chart/read"),
            (HttpMethod.Post, "/api/catalogue/chart/import"), (HttpMethod.Post, $"{dog}/try-on/diagnose"), (HttpMethod.Post, $"{dog}/try-ons"), (HttpMethod.Post, $"{dog}/try-ons/{id}/picture"),
            (HttpMethod.Put, "/api/van/heron-3"), (HttpMethod.Post, "/api/van/expected"), (HttpMethod.Post, "/api/catalogue/heron/versions/9"),
        ];
        string[] bodies =
        [
            "{}", "[]", "null", "", "{", "true", "1e999", "{\"snout\":[],\"basket\":7}", "{\"name\":{\"a\":1}}", "{\"text\":[\"95\"]}",
            "{\"stepId\":\"touch-it\",\"target\":-9999999999}", "{\"success\":\"yes\"}", "{\"signId\":null}", "{\"sizeId\":\"\",\"fingers\":99}",
            "{\"sizeId\":\"withy-5\",\"uses\":[null]}", "{\"name\":\"\\u0000\",\"version\":1}",
            "{\"school\":\"everyday\",\"readings\":[null]}", "{\"school\":\"everyday\",\"readings\":[{\"measure\":\"neckGirth\"}]}", "{\"text\":\"\\u0000\\\",\\n\",\"newSet\":true}",
            "{\"view\":\"side\",\"kind\":\"card\",\"corners\":[null],\"landmarks\":{\"noseTip\":null}}",
            "{\"view\":\"side\",\"reference\":{\"kind\":\"card\",\"corners\":[[0,0],null,[1],[1,1]]},\"landmarks\":{\"noseTip\":[],\"7\":[1,1]}}",
            "{\"view\":\"side\",\"reference\":{\"kind\":\"card\",\"corners\":[[0,0],[0,0],[0,0],[0,0]]},\"landmarks\":{\"noseTip\":[0,0],\"innerEye\":[0,0]}}",
            "{\"view\":\"side\",\"reference\":{\"kind\":\"card\",\"corners\":[[0,0],[400,0],[400,252],[0,252]]},\"landmarks\":{\"noseTip\":[9,9],\"innerEye\":[9,9],\"throatBump\":[50,50]}}",
            "{\"view\":\"side\",\"kind\":\"card\",\"corners\":[{\"x\":1e308,\"y\":-1e308},{\"x\":1,\"y\":1}]}", "{\"name\":\"X\",\"breedIds\":[null],\"shape\":\"long\",\"growingMonths\":12,\"alsoCalled\":[null]}",
            "{\"dog\":{\"breedIds\":[null],\"sensitivities\":[\"paws\"],\"purposes\":[\"walks\"]},\"overruled\":{\"treats\":null},\"minutes\":-1}", "{\"dog\":{\"name\":\"\u0000\"},\"fingers\":9}",
            "{\"name\":\"Q\",\"sizes\":[null],\"colours\":[null]}", "{\"name\":\"Q\",\"colours\":[{\"name\":null,\"hex\":null}],\"sizes\":[{\"label\":null,\"lengthMm\":-1e308}]}",
            "{\"name\":\"Q\",\"maker\":\"M\",\"type\":\"basket\",\"sizes\":[{\"id\":\"withy-1\",\"label\":\"1\",\"lengthMm\":90,\"openingGirthMm\":300}]}",
            "{\"type\":\"basket\",\"size\":{\"label\":\"1\",\"lengthMm\":10,\"openingGirthMm\":1200}}", "{\"type\":\"basket\",\"size\":{\"lengthMm\":400,\"openingGirthMm\":40,\"neckStrapMinMm\":60,\"neckStrapMaxMm\":61}}",
            "{\"text\":\"a,b\\n1,2\",\"columns\":[null]}", "{\"text\":\"a,b\\n1,2\",\"columns\":[{\"column\":-1,\"field\":\"label\",\"unit\":\"none\"},{\"column\":99,\"field\":\"length\",\"unit\":\"oz\"}]}",
            "{\"text\":\"a;b\\n\\\"1;-\",\"columns\":[{\"column\":0,\"field\":\"label\",\"unit\":\"none\"},{\"column\":1,\"field\":\"neckStrapRange\",\"unit\":\"in\"},{\"column\":2,\"field\":\"length\",\"unit\":\"in\"}],\"model\":null}",
            "{\"symptom\":\"strap-loose\",\"hole\":-2147483648,\"fromTightestMm\":1e300}", "{\"sizeId\":\"withy-5\",\"symptom\":\"strap-loose\",\"fromTightestMm\":1e300}",
            "{\"sizeId\":\"withy-5\",\"answers\":{\"sight\":true},\"symptoms\":[null]}", "{\"sizeId\":\"withy-5\",\"answers\":{\"sight\":true},\"fromTightestMm\":-5}", "{\"note\":\"\u0000\",\"count\":99}",
            "{\"name\":\"E\",\"count\":1,\"headShape\":\"short\",\"eyeMm\":15,\"girthMm\":500,\"widthMm\":200,\"neckMm\":120,\"purposes\":[\"walks\"]}",
            new string('[', 5000),
        ];
        foreach (var (method, path) in addresses)
        {
            foreach (var body in bodies)
            {
                var answer = await server.SendAsync(method, path, body);
                Assert.True((int)answer.Status < 500, $"{method} {path} answered {answer.Status} to {body[..Math.Min(60, body.Length)]}");
            }
        }
    }
}
