<!doctype html>
<html lang="en-GB">

    <head>
        <meta charset="utf-8">
        <title>Archive of a systematic review: {{ $review->title }}</title>
    </head>

    <body>
        <h1>{{ $review->title }}</h1>
        <p>This is the archive of a systematic review: a piece of research that searches the literature for all studies of one
            question, chooses among them by rules fixed beforehand, reads what they found, and sums it up. The question was:</p>
        <blockquote>{{ $review->question }}</blockquote>
        <p>The archive was written by Wary Heron, the program in which the review was carried out. You do not need that program to
            read it: every file is text in UTF-8, in a form that is an open standard, or a PDF.</p>
        <h2>To read it</h2>
        <table>
            <thead>
                <tr>
                    <th scope="col">Where</th>
                    <th scope="col">What it is</th>
                </tr>
            </thead>
            <tbody>
                <tr>
                    <td>open/report.html</td>
                    <td>the report, if one was written; each claim in it leads to what it rests on</td>
                </tr>
                <tr>
                    <td>open/references.ris, open/references.json</td>
                    <td>all publications that were found, in RIS and in CSL-JSON; “included” holds those that were chosen</td>
                </tr>
                <tr>
                    <td>open/search-report.txt, open/strategies/</td>
                    <td>what was searched, where, when and with which words, as each database was asked</td>
                </tr>
                <tr>
                    <td>open/decisions.csv</td>
                    <td>who judged which publication how, and why</td>
                </tr>
                <tr>
                    <td>open/coding.csv</td>
                    <td>what was read from the chosen studies, item by item, with the words it rests on</td>
                </tr>
                <tr>
                    <td>open/evidence.jsonld</td>
                    <td>the same words as annotations of the papers (W3C Web Annotation)</td>
                </tr>
                <tr>
                    <td>open/flow.svg</td>
                    <td>how many records and studies there were at each step, as a diagram</td>
                </tr>
                <tr>
                    <td>open/log.csv</td>
                    <td>everything that was done, in the order in which it was done</td>
                </tr>
                <tr>
                    <td>files/deliveries/</td>
                    <td>the files of records as they were brought, named by their SHA-256 checksum; data/deliveries.jsonl has
                        their own names</td>
                </tr>
                @if ($hasFullTexts)
                    <tr>
                        <td>files/full-texts/</td>
                        <td>the papers, named by their SHA-256 checksum; data/full_texts.jsonl says whose they are. They are
                            under the rights of their publishers.</td>
                    </tr>
                @endif
            </tbody>
        </table>
        @unless ($hasFullTexts)
            <p>The papers themselves and what was read from them by machine are not in it. What people took from them is, word for
                word.</p>
        @endunless
        <h2>To bring it back to life</h2>
        <p>The folder data/ holds everything that the program knew: one file for each of its tables, one row to a line, as JSON. The
            folder schemas/ says what each line may hold (JSON Schema). Columns that end in “_id” name rows of other tables by their
            ids; data/people.jsonl says who the people are. Times are in UTC. manifest.json lists every file with its length and its
            SHA-256 checksum, so that you can tell whether anything was changed or lost. An installation of Wary Heron reads the
            archive whole, on its page “Bring in an archive” or by the command
            <code>heron bring-in</code>.</p>
        <p>Not in it are passwords, invitations and addresses by which outsiders could read the review.</p>
    </body>

</html>
