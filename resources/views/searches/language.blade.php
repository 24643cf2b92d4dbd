<section class="sheet">
    <header class="sheet-head">
        <h2>How to write a query</h2>
    </header>
    <dl class="sheet-body small">
        <dt><code>bright AND (light* OR lamp*)</code></dt>
        <dd class="mb-2 quiet">* takes any ending; brackets group; NOT binds tighter than AND, AND tighter than OR</dd>
        <dt><code>behavio*r wom?n colo~r *ycin</code></dt>
        <dd class="mb-2 quiet">within or before a word: * any number of letters, ? just one, ~ one or none; three letters are needed beside
            them</dd>
        <dt><code>"night shift"</code></dt>
        <dd class="mb-2 quiet">the words side by side</dd>
        <dt><code>light NEAR/3 expos*</code></dt>
        <dd class="mb-2 quiet">at most three words apart, in either order</dd>
        <dt><code>title,abstract:(lamp* OR lux)</code></dt>
        <dd class="mb-2 quiet">only in these fields: title, abstract, keyword, author, journal, doi, id</dd>
        <dt><code>heading:"Shift work schedule"/narrower</code></dt>
        <dd class="mb-2 quiet">a heading of the thesaurus, with those below it; /major where it is a main topic</dd>
        <dt><code>year:2005-2024 AND language:english</code></dt>
        <dd class="mb-2 quiet">limits; also type:"randomised trial"</dd>
    </dl>
</section>
