"""What people use instead, measured: LibreOffice writes a report as PDF and searches a sheet. A part of `npm run bench`.

Arguments: a folder with report.fodt and jobs.csv, and the texts to search for. Prints JSON, times in ms.
"""
import json
import os
import subprocess
import sys
import time

import uno
from com.sun.star.beans import PropertyValue
from com.sun.star.connection import NoConnectException

folder, *texts = sys.argv[1:]


def option(name, value):
    made = PropertyValue()
    made.Name, made.Value = name, value
    return made


def timed(act):
    start = time.perf_counter()
    value = act()
    return value, (time.perf_counter() - start) * 1000


def connect(pipe):
    context = uno.getComponentContext()
    resolver = context.ServiceManager.createInstance("com.sun.star.bridge.UnoUrlResolver")
    address = f"uno:pipe,name={pipe};urp;StarOffice.ComponentContext"
    for _ in range(600):
        try:
            return resolver.resolve(address)
        except NoConnectException:
            time.sleep(0.1)
    raise SystemExit("LibreOffice did not start within a minute")


def write_report(desktop, turn):
    document = desktop.loadComponentFromURL(f"file://{folder}/report.fodt", "_blank", 0, (option("Hidden", True),))
    document.storeToURL(f"file://{folder}/report-{turn}.pdf", (option("FilterName", "writer_pdf_Export"),))
    document.close(True)


def search(sheet, text):
    asked = sheet.createSearchDescriptor()
    asked.SearchString = text
    asked.SearchCaseSensitive = False
    found = sheet.findAll(asked)
    return 0 if found is None else found.Count


pipe = f"bench-{os.getpid()}"
flags = ["--headless", "--norestore", "--nologo", f"--accept=pipe,name={pipe};urp;"]
office = subprocess.Popen(["soffice", *flags, f"-env:UserInstallation=file://{folder}/profile"])
try:
    context, start_ms = timed(lambda: connect(pipe))
    desktop = context.ServiceManager.createInstanceWithContext("com.sun.star.frame.Desktop", context)
    reports = [timed(lambda turn=turn: write_report(desktop, turn))[1] for turn in range(5)]
    filters = (option("Hidden", True), option("FilterName", "Text - txt - csv (StarCalc)"), option("FilterOptions", "44,34,76,1"))
    book, load_ms = timed(lambda: desktop.loadComponentFromURL(f"file://{folder}/jobs.csv", "_blank", 0, filters))
    sheet = book.Sheets.getByIndex(0)
    searches = {}
    for text in texts:
        turns = [timed(lambda: search(sheet, text)) for _ in range(5)]
        searches[text] = {"found": turns[0][0], "ms": sorted(ms for _, ms in turns)[2]}
    book.close(True)
    print(json.dumps({"startMs": start_ms, "reportMs": reports, "loadMs": load_ms, "searches": searches}))
finally:
    try:
        desktop.terminate()
    except Exception:
        office.terminate()
    office.wait(30)
