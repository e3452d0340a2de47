import json, copy
F={"raster":"1920x1080","scan":"p","rate":"50/1"}
def dev(model,name,order,**k): return {"model":model,"name":name,"order":order,**k}
def out(port,fmt=F): return {"ports":{port:{"format":fmt}}}
def link(a,b,cable,routeM=None,**k):
    d={"from":{"device":a.split('.')[0],"port":a.split('.')[1]},"to":{"device":b.split('.')[0],"port":b.split('.')[1]},"cable":cable}
    if routeM is not None: d["routeM"]=routeM
    d.update(k); return d
devices={
 "wide":dev("camera-studio-sdi","Wide, gallery",1,shot="safe",**out("sdi")),
 "ptz-north":dev("camera-ptz","Arena north",2,shot="close",ports={"sdi":{"format":F},"hdmi":{"format":F}}),
 "ptz-south":dev("camera-ptz","Arena south",3,shot="side",ports={"sdi":{"format":F},"hdmi":{"format":F}}),
 "pit":dev("camera-studio-sdi","Pit lane, roaming",4,shot="roaming",manned=True,**out("sdi")),
 "scores":dev("computer-fill-key","Scoring computer",5,ports={"fill":{"format":F},"key":{"format":F}}),
 "clips":dev("player-clips","Clip player",6,**out("hdmi")),
 "tablet":dev("tablet-drawing","Judge's tablet",7,**out("hdmi")),
 "referee":dev("laptop","Remote referee",8,**out("hdmi")),
 "pit-radio":dev("radio-sdi","Pit radio link",0),
 "iso-1":dev("repeater-sdi","Tap, wide",0),"iso-2":dev("repeater-sdi","Tap, north",0),"iso-3":dev("repeater-sdi","Tap, south",0),"iso-4":dev("repeater-sdi","Tap, pit",0),
 "side":dev("switcher-4-multiview","Side",1,standard=F,ports={"in-1":{"label":"JUDGE"},"in-2":{"label":"REF"},"in-3":{"label":"CLIPS"},"out-2":{"feed":"program"}}),
 "side-up":dev("hdmi-to-sdi","Side to SDI",0),
 "main":dev("switcher-12-sdi","Main",2,standard=F,ports={
   "in-1":{"label":"WIDE"},"in-2":{"label":"NORTH"},"in-3":{"label":"SOUTH"},"in-4":{"label":"PIT"},"in-5":{"label":"FILL"},"in-6":{"label":"KEY"},"in-7":{"label":"SIDE"},
   "out-1":{"feed":"program"},"out-2":{"feed":"clean"},"out-3":{"feed":"program"},
   "sound-1":{"sound":"fixed","soundDelayMs":70},"sound-2":{"sound":"fixed","soundDelayMs":70}}),
 "hall-split":dev("repeater-sdi","Hall distribution",0),
 "hall-west-back":dev("sdi-to-hdmi","To HDMI, west screen",0),"hall-east-back":dev("sdi-to-hdmi","To HDMI, east screen",0),
 "record-back":dev("sdi-to-hdmi","To HDMI, recorder",0),
 "hall-west":dev("screen","Hall screen west",1),"hall-east":dev("screen","Hall screen east",2),
 "overflow":dev("screen-sdi","Overflow room",3),
 "recorder":dev("recorder-hdmi","Program recorder",4),"stream":dev("encoder-stream","Stream encoder",5),
 "isolated":dev("recorder-4-sdi","Isolated recorder",6),
 "director":dev("screen","Director's screen",7),"side-screen":dev("screen","Side operator's screen",8),
 "hall-desk":dev("desk-house","Hall sound desk",1),"host-mic":dev("microphone-speech","Host microphone",2),
}
links={
 "wide-run":link("wide.sdi","iso-1.in","coax-rg6",60),"wide-main":link("iso-1.out-1","main.in-1","coax-rg6",pieces=[1]),"wide-iso":link("iso-1.out-2","isolated.in-1","coax-rg6",pieces=[3]),
 "north-run":link("ptz-north.sdi","iso-2.in","coax-rg6",40),"north-main":link("iso-2.out-1","main.in-2","coax-rg6",pieces=[1]),"north-iso":link("iso-2.out-2","isolated.in-2","coax-rg6",pieces=[3]),
 "south-run":link("ptz-south.sdi","iso-3.in","coax-rg6",45),"south-main":link("iso-3.out-1","main.in-3","coax-rg6",pieces=[1]),"south-iso":link("iso-3.out-2","isolated.in-3","coax-rg6",pieces=[3]),
 "pit-radio-in":link("pit.sdi","pit-radio.in","coax-rg59",pieces=[1]),"pit-run":link("pit-radio.out","iso-4.in","coax-rg6",8),"pit-main":link("iso-4.out-1","main.in-4","coax-rg6",pieces=[1]),"pit-iso":link("iso-4.out-2","isolated.in-4","coax-rg6",pieces=[3]),
 "scores-fill":link("scores.fill","main.in-5","coax-rg59",8),"scores-key":link("scores.key","main.in-6","coax-rg59",8),
 "tablet-run":link("tablet.hdmi","side.in-1","hdmi-passive",2.5,adapters={"from":"adapter-hdmi-mini"}),
 "referee-run":link("referee.hdmi","side.in-2","hdmi-passive",2),
 "clips-run":link("clips.hdmi","side.in-3","hdmi-active",12),
 "side-link":link("side.out-2","side-up.in","hdmi-passive",pieces=[1]),"side-main":link("side-up.out","main.in-7","coax-rg6",6),
 "side-view":link("side.out-3","side-screen.in","hdmi-passive",2),
 "hall-run":link("main.out-1","hall-split.in","coax-rg6",pieces=[2]),
 "hall-west-run":link("hall-split.out-1","hall-west-back.in","coax-rg6",28),"hall-west-end":link("hall-west-back.out","hall-west.in","hdmi-passive",pieces=[2]),
 "hall-east-run":link("hall-split.out-2","hall-east-back.in","coax-rg6",6),"hall-east-end":link("hall-east-back.out","hall-east.in","hdmi-optical",34),
 "overflow-run":link("main.out-2","overflow.in","coax-rg11",70),
 "record-run":link("main.out-3","record-back.in","coax-rg6",pieces=[2]),"record-end":link("record-back.out","recorder.in","hdmi-passive",pieces=[1]),
 "stream-run":link("recorder.loop","stream.in","hdmi-passive",pieces=[1]),
 "director-view":link("main.out-6","director.in","hdmi-passive",3),
 "desk-run":link("hall-desk.feed","main.sound-1","xlr-lead",18),"host-run":link("host-mic.out","main.sound-2","xlr-lead",8),
}
wants={
 "west-sees":{"sink":"hall-west","feed":"program"},"east-sees":{"sink":"hall-east","feed":"program"},
 "overflow-sees":{"sink":"overflow","feed":"clean","sound":True},
 "keep":{"sink":"recorder","feed":"program","asks":{"raster":"1920x1080","rate":"50/1"},"sound":True},
 "stream-sees":{"sink":"stream","feed":"program","asks":{"raster":"1920x1080","rate":"50/1"},"sound":True},
 "director-sees":{"sink":"director","feed":"multiview"},"side-sees":{"sink":"side-screen","feed":"multiview"},
}
models={d["model"]:{"from":"builtin/%s@2"%d["model"]} for d in devices.values()}
leads={}
for l in links.values():
    for x in [l["cable"],*l.get("adapters",{}).values()]: leads[x]={"from":"builtin/%s@1"%x}
import math
stock={"hdmi":[0.5,1,2,3,5,7.5,10,15,20],"active":[10,15,20,25],"opt":[10,15,20,30,40,50,75,100],"coax":[1,2,3,5,10,15,20,25,30,40,50,75,100],"xlr":[1,3,5,10,20,30,50]}
st={"hdmi-passive":"hdmi","hdmi-active":"active","hdmi-optical":"opt","coax-rg6":"coax","coax-rg59":"coax","coax-rg11":"coax","xlr-lead":"xlr"}
need={}
def n(of,id,m=None):
    need[(of,id,m)]=need.get((of,id,m),0)+1
for d in devices.values(): n("model",d["model"])
for l in links.values():
    for a in l.get("adapters",{}).values(): n("lead",a)
    if "pieces" in l:
        for p in l["pieces"]: n("lead",l["cable"],p)
    else:
        cut=l["routeM"]+max(.1*l["routeM"],2); n("lead",l["cable"],next(s for s in stock[st[l["cable"]]] if s>=cut))
kit={}
hired={("model","camera-ptz"):2,("model","radio-sdi"):1,("model","switcher-12-sdi"):1,("model","recorder-4-sdi"):1,("model","repeater-sdi"):2,("lead","coax-rg11"):1}
for (of,id,m),c in sorted(need.items(),key=str):
    h=min(c,hired.get((of,id),0))
    e={"of":of,"id":id}
    if m is not None: e["pieceM"]=m
    e["owned"]=c-h
    if h: e["hired"]=h
    kit[(id+("-%s"%str(m).replace('.','-') if m is not None else ""))[:64]]=e
brief={"place":"Quayside Sports Hall, Port Lunden","date":"2027-03-13","rehearsal":"07:30","doors":"09:00","start":"10:00","end":"16:30","mains":"230v-50hz","spareInputs":4,"crew":3,"cableSchool":"cautious","syncWindow":"r37","currency":"EUR","units":"m","paper":"a4"}
segments={"opening":{"title":"Opening and pit walk","order":1},"matches":{"title":"Qualifying matches","order":2},"final":{"title":"Final and prizes","order":3}}
clean={"title":"Main plan","brief":brief,"wants":wants,"models":models,"leads":leads,"devices":devices,"links":links,"segments":segments,"kit":kit}
def write(path,title,plan):
    doc={"format":2,"show":{"title":title},"plans":{"main":plan}}
    lines=['{','  "format": 2,','  "show": %s,'%json.dumps(doc["show"],ensure_ascii=False),'  "plans": {','    "main": {']
    items=list(plan.items())
    for i,(k,v) in enumerate(items):
        last=',' if i<len(items)-1 else ''
        if isinstance(v,dict) and k!="brief":
            lines.append('      "%s": {'%k)
            es=list(v.items())
            for j,(a,b) in enumerate(es): lines.append('        %s: %s%s'%(json.dumps(a),json.dumps(b,ensure_ascii=False),',' if j<len(es)-1 else ''))
            lines.append('      }'+last)
        else: lines.append('      %s: %s%s'%(json.dumps(k),json.dumps(v,ensure_ascii=False),last))
    lines+=['    }','  }','}']
    open(path,'w').write('\n'.join(lines)+'\n')
write('demo/harbour-robotics-cup.json','Harbour Robotics Cup',clean)
b=copy.deepcopy(clean)
D,L=b["devices"],b["links"]
D["referee"]["ports"]["hdmi"]["format"]={"raster":"1920x1080","scan":"p","rate":"60/1"}            # F01
del L["tablet-run"]["adapters"]                                                                    # C01
L["wide-run"]["cable"]="coax-miniature"; b["leads"]["coax-miniature"]={"from":"builtin/coax-miniature@1"} # L02
L["hall-east-end"]["turned"]=True                                                                  # C08
D["side"]["ports"]["out-2"]["feed"]="preview"                                                      # C14
D["main"]["ports"]["out-2"]["feed"]="program"                                                      # O02
D["main"]["ports"]["sound-1"]["sound"]="shut"; D["main"]["ports"]["sound-2"]["sound"]="shut"        # A01
D["wide"]["shot"]="wide"                                                                           # R04
b["kit"]["repeater-sdi"]["hired"]=1                                                                # C15
L["south-main"]["to"]["port"]="in-2"                                                               # C04
L["pit-iso"]["to"]["port"]="in-5"                                                                  # C06
L["clips-run"]["cable"]="hdmi-passive"                                                             # L01
write('demo/harbour-robotics-cup-draft.json','Harbour Robotics Cup, first draft',b)
